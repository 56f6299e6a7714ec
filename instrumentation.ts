/** Runs once when the server starts, before it answers anything. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { warmUp } = await import('@server/packedVisit');
  warmUp();
}
