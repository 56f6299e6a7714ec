import { customType } from 'drizzle-orm/mysql-core';

/** A moment to the millisecond: UTC in the database, ms since 1970 everywhere else. */
export const moment = customType<{ data: number; driverData: string }>({
  dataType: () => 'datetime(3)',
  toDriver: (ms) => new Date(ms).toISOString().slice(0, -1).replace('T', ' '),
  fromDriver: (text) => Date.parse(`${text.replace(' ', 'T')}Z`),
});
