import { ROW_LOAN } from '@data/demo/oldKilnRow';
import type { Row } from '@core/visit/rows';
import { loanReducer, type LoanRows } from './loanReducer';

const loan: Row<'loan'> = {
  id: 'l',
  version: 3,
  value: {
    name: ROW_LOAN.name,
    timeZone: 'Europe/London',
    latitude: 51.2,
    longitude: 1,
    from: 0,
    to: 1000,
    insideC: 20,
    strictness: 'usual',
    weatherId: null,
    archived: false,
  },
};
const home: Row<'loanHome'>['value'] = {
  loanId: 'l',
  siteId: 's',
  ordinal: 0,
  minutes: 60,
  travelMinutes: 5,
  presences: [],
  facades: null,
};
const rows: LoanRows = { loan, homes: { a: { id: 'a', version: 2, value: home } } };

test('a change keeps the version, which only the server moves', () => {
  const changed = loanReducer(rows, { kind: 'loan', value: { ...loan.value, insideC: 18 } });
  expect(changed.loan).toMatchObject({ version: 3, value: { insideC: 18 } });
  expect(loanReducer(rows, { kind: 'home', id: 'a', value: { ...home, minutes: 90 } }).homes.a).toMatchObject({
    version: 2,
    value: { minutes: 90 },
  });
  expect(rows.homes.a!.value.minutes).toBe(60);
});

test('homes come and go', () => {
  const more = loanReducer(rows, { kind: 'home', id: 'b', value: home });
  expect(more.homes.b!.version).toBe(0);
  expect(Object.keys(loanReducer(more, { kind: 'home', id: 'a', value: null }).homes)).toEqual(['b']);
});

test('what another tab stored replaces what is shown', () => {
  const stored = { ...loan, version: 9, value: { ...loan.value, name: 'Theirs' } };
  expect(loanReducer(rows, { kind: 'stored', entity: 'loan', id: 'l', row: stored }).loan.value.name).toBe('Theirs');
  expect(loanReducer(rows, { kind: 'stored', entity: 'loanHome', id: 'a', row: null }).homes).toEqual({});
});
