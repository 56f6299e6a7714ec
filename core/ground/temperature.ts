/** 0 °C in kelvin, exact by definition. */
export const ZERO_CELSIUS_IN_KELVIN = 273.15;

export const TEMPERATURE_UNITS = ['C', 'F', 'K', 'cK'] as const;

/** °C, °F, kelvin, or hundredths of a kelvin as 16-bit files store them. */
export type TemperatureUnit = (typeof TEMPERATURE_UNITS)[number];

/** Units that a person reads temperatures in. */
export type DisplayUnit = 'C' | 'F';

/** A temperature in the given unit as °C: `celsius = value * scale + offset`. Linear, so that hot loops can inline it. */
export function celsiusConversion(unit: TemperatureUnit): { scale: number; offset: number } {
  switch (unit) {
    case 'C':
      return { scale: 1, offset: 0 };
    case 'F':
      return { scale: 5 / 9, offset: (-32 * 5) / 9 };
    case 'K':
      return { scale: 1, offset: -ZERO_CELSIUS_IN_KELVIN };
    case 'cK':
      return { scale: 0.01, offset: -ZERO_CELSIUS_IN_KELVIN };
  }
}

export function fahrenheitFromCelsius(celsius: number): number {
  return celsius * 1.8 + 32;
}

export function celsiusFromFahrenheit(fahrenheit: number): number {
  return (fahrenheit - 32) / 1.8;
}

/** A difference is not a temperature: no offset. K → °F difference. */
export function fahrenheitDifferenceFromKelvin(kelvin: number): number {
  return kelvin * 1.8;
}
