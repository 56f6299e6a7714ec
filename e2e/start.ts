import { Den } from './support/den';

/** One application with the demo visit for all browser tests. */
export default async function start(): Promise<() => Promise<void>> {
  const den = Den.fresh('browser');
  await den.start();
  process.env.DEN_TEST_ADDRESS = den.address;
  return () => den.interrupt();
}
