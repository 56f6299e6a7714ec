import type { Row } from '../../model/entities';
import { handoutSchema } from '../../paper/handout';
import { februaryWeek } from '../../testing/material';
import { readWeather } from '../../method/weather/readWeather';
import { standInWeather } from '../../method/weather/standIn';
import { loanSheet } from '../../paper/loanSheet';
import { planLoan, type LoanHomes } from './planLoan';

const id = (n: number) => `0192f0a0-0000-7000-8000-0000000001${String(n).padStart(2, '0')}`;

function site(n: number, change: Partial<Row<'site'>['value']> = {}): Row<'site'> {
  const facades = [20, 200].map((azimuth) => ({ azimuth, wall: 'brick' as const }));
  return {
    id: id(n),
    version: 1,
    value: {
      name: `No. ${n}`,
      address: '',
      timeZone: 'Europe/London',
      latitude: 51.2,
      longitude: 1,
      facades,
      archived: false,
      ...change,
    },
  };
}

function home(n: number, evenings: string[], change: Partial<Row<'loanHome'>['value']> = {}): Row<'loanHome'> {
  const presences = evenings.map((day) => ({ day, from: '17:30', to: '22:00' }));
  const value = { loanId: id(50), siteId: id(n), ordinal: n, minutes: 75, travelMinutes: 5, presences, facades: null, ...change };
  return { id: id(20 + n), version: 1, value };
}

const loan: Row<'loan'> = {
  id: id(50),
  version: 1,
  value: {
    name: 'Row camera',
    timeZone: 'Europe/London',
    latitude: 51.2,
    longitude: 1,
    from: Date.UTC(2027, 1, 9, 9),
    to: Date.UTC(2027, 1, 14, 20),
    insideC: 20,
    strictness: 'usual',
    practice: true,
    weatherId: null,
    archived: false,
  },
};

const week: LoanHomes = {
  loan,
  homes: [
    { row: home(1, ['2027-02-09', '2027-02-11']), site: site(1) },
    { row: home(2, ['2027-02-11']), site: site(2) },
    { row: home(3, ['2027-02-20']), site: site(3) },
  ],
};

describe('a loan', () => {
  const planned = planLoan(week, readWeather(februaryWeek));

  test('gives each home an evening on which somebody is in, and says who waits', () => {
    expect(planned.turns).toHaveLength(2);
    for (const turn of planned.turns) {
      const clock = new Date(turn.from).getUTCHours() + new Date(turn.from).getUTCMinutes() / 60;
      expect(clock).toBeGreaterThanOrEqual(17.5);
      expect(turn.to - turn.from).toBe(75 * 60_000);
    }
    expect(planned.waiting).toEqual([{ homeId: id(23), words: 'Nobody is in while the camera is there.' }]);
  });

  test('a home that only cares for its north side may go earlier than one with a sunny south wall', () => {
    const clear = { ...readWeather(februaryWeek) };
    clear.hours = clear.hours.map((hour) => ({ ...hour, cloudPct: 0, windMs: 3, rainMm: 0, temperatureC: 0 }));
    const one = (facades: number[]) => {
      const row = home(1, ['2027-02-10'], { facades, presences: [{ day: '2027-02-10', from: '16:30', to: '22:00' }] });
      return planLoan({ loan, homes: [{ row, site: site(1) }] }, clear).turns[0]!;
    };
    expect(one([20]).from).toBeLessThan(one([200]).from);
  });

  test('a home whose place is unknown is judged where the loan is; without weather nobody is served', () => {
    const nowhere = { ...week, homes: [{ row: home(1, ['2027-02-09']), site: site(1, { latitude: null, longitude: null }) }] };
    expect(planLoan(nowhere, readWeather(februaryWeek)).turns).toHaveLength(1);
    expect(planLoan(nowhere, { start: 0, hours: [], warnings: [] }).turns).toEqual([]);
    expect(planLoan(nowhere, standInWeather(51.2, 1, loan.value.from, 168)).waiting.length).toBeLessThanOrEqual(1);
  });

  test('its sheet says who has it when, who waits, and what to do before it is handed on', () => {
    const sheet = loanSheet(week, planned, 'the weather file winter.csv', '20 °C');
    expect(handoutSchema.safeParse(sheet).success).toBe(true);
    expect(sheet.foot).toContain('By the weather file winter.csv, homes taken as 20 °C inside');
    const [table] = sheet.blocks;
    expect(table).toMatchObject({ kind: 'table' });
    const rows = table!.kind === 'table' ? table!.rows : [];
    expect(rows.map(([, name]) => name)).toEqual(planned.turns.map(({ homeId }) => (homeId === id(21) ? 'No. 1' : 'No. 2')));
    expect(JSON.stringify(sheet)).toContain('No. 3: Nobody is in');
    expect(JSON.stringify(sheet)).toContain('card emptied');
  });
});
