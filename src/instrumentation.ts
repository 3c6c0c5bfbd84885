/** Runs once when the server starts, however it was started. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { guardThisProcess } = await import('@/app/lib/server-guard');
  guardThisProcess();
  const { startQueue } = await import('@/app/wiring');
  startQueue();
}
