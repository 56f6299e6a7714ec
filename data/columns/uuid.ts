import { customType } from 'drizzle-orm/mysql-core';

/** UUIDs as 16 bytes in the database and as text everywhere else. */
export const uuid = customType<{ data: string; driverData: Buffer }>({
  dataType: () => 'binary(16)',
  toDriver: (text) => Buffer.from(text.replaceAll('-', ''), 'hex'),
  fromDriver: (bytes) => {
    const hex = bytes.toString('hex');
    return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
  },
});
