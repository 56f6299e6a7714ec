import { isOwnPage, isOwnRequest } from './hosts';

const headers = (values: Record<string, string>) => new Headers(values);
afterEach(() => delete process.env.DEN_HOSTS);

test.each(['127.0.0.1', '127.0.0.1:3000', 'localhost:3000', 'LocalHost', '[::1]:3000'])('%s is ours', (host) => {
  expect(isOwnRequest(headers({ host }))).toBe(true);
});

test.each([
  'elsewhere.example',
  'localhost.elsewhere.example',
  '127.0.0.1.elsewhere.example:3000',
  '10.0.0.4:3000',
  '',
  'localhost:3000:80',
  '[::2]',
])('“%s” is not', (host) => {
  expect(isOwnRequest(headers({ host }))).toBe(false);
});

test('further names are ours when they were named, with any port, and no others', () => {
  process.env.DEN_HOSTS = 'den.home, kiln.local';
  expect(isOwnRequest(headers({ host: 'den.home' }))).toBe(true);
  expect(isOwnRequest(headers({ host: 'Kiln.local:8443', origin: 'https://kiln.local:8443' }))).toBe(true);
  expect(isOwnRequest(headers({ host: 'other.home' }))).toBe(false);
});

test('a page of another origin does not reach us; a link does, but no data', () => {
  const host = '127.0.0.1:3000';
  expect(isOwnRequest(headers({ host, origin: 'http://elsewhere.example' }))).toBe(false);
  expect(isOwnRequest(headers({ host, origin: 'http://127.0.0.1:3001' }))).toBe(false);
  expect(isOwnRequest(headers({ host, origin: `http://${host}` }))).toBe(true);
  const link = headers({ host, 'sec-fetch-site': 'cross-site' });
  expect([isOwnRequest(link), isOwnPage(link)]).toEqual([true, false]);
  expect(isOwnPage(headers({ host, 'sec-fetch-site': 'same-origin' }))).toBe(true);
  expect(isOwnPage(headers({ host, 'sec-fetch-site': 'none' }))).toBe(true);
  expect(isOwnPage(headers({ host, 'sec-fetch-site': 'same-site' }))).toBe(false);
});
