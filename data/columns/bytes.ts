import { customType } from 'drizzle-orm/mysql-core';

/** Bytes of any length. */
export const longBytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'longblob' });
