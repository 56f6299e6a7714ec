/** A label with what is said under it. */
export interface Fact {
  label: string;
  value: string;
}

/** Facts in small print. */
export const inOneLine = (facts: readonly Fact[]) => facts.map(({ label, value }) => `${label} ${value}`).join(' · ');
