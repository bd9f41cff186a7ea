/** What Next runs once when a process that serves pages starts: its environment is checked, and the readers begin, so that the first who sends something does not wait for them. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { config, readyToRead } = await import('@/server/shared');
  config();
  /* Without them pages are served all the same; whoever needs one is told then. */
  void readyToRead().catch(() => undefined);
}
