/** For tests of how long something takes: the processor's time that this process used since, whatever else the machine does. */
export function ownTime(): () => number {
  const before = process.cpuUsage();
  return () => {
    const { user, system } = process.cpuUsage(before);
    return (user + system) / 1_000;
  };
}
