/** Opens the store when the server starts, so that a bad data folder is told at once. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { startStore } = await import('./server/start');
  await startStore();
}
