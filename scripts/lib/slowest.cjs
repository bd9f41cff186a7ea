/** A reporter of Jest: at the end of a run, the ten tests that took longest. */
module.exports = class Slowest {
  onRunComplete(_contexts, { testResults }) {
    const all = testResults.flatMap(({ testFilePath, testResults: tests }) =>
      tests.map(({ fullName, duration }) => ({ name: fullName, ms: duration ?? 0, file: testFilePath.split('/').pop() })),
    );
    const slowest = all.sort((one, other) => other.ms - one.ms).slice(0, 10);
    if (all.length < 20) return;
    process.stdout.write('\nThe slowest ten:\n');
    for (const { name, ms, file } of slowest)
      process.stdout.write(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${file}: ${name}\n`);
  }
};
