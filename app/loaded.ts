import { notFound } from 'next/navigation';
import { asCoreError, forLog } from '@data/databaseError';

/**
 * What a page loads. What is not there becomes the page that says so; what the database refuses becomes an error without the
 * statement and its values, which would end up in the log.
 */
export async function loaded<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    const known = asCoreError(error);
    if (known?.code === 'not_found') notFound();
    throw known ?? new Error(forLog(error));
  }
}
