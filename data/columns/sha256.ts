import { customType } from 'drizzle-orm/mysql-core';

/** SHA-256 as 32 bytes in the database and as hexadecimal text everywhere else. */
export const sha256 = customType<{ data: string; driverData: Buffer }>({
  dataType: () => 'binary(32)',
  toDriver: (hex) => Buffer.from(hex, 'hex'),
  fromDriver: (bytes) => bytes.toString('hex'),
});
