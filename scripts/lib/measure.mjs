/** What benches share: medians, percentiles, requests a second, a lead as a program sends it. */
export const median = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];
export const percentile = (numbers, p) =>
  [...numbers].sort((a, b) => a - b)[Math.min(numbers.length - 1, Math.floor((numbers.length * p) / 100))];
export const round = (number, digits = 1) => Math.round(number * 10 ** digits) / 10 ** digits;
export const note = (text) => process.stderr.write(`${text}\n`);

let person = 0;
/** The body of an inquiry of somebody new. */
export const lead = () => {
  person += 1;
  return JSON.stringify({
    person: {
      first_name: 'Bench',
      last_name: `Person ${person}`,
      emails: [`bench${process.pid}.${person}@bench.example`],
      phones: [`+1998${String(person).padStart(7, '0')}`],
    },
    roles: ['buyer'],
    place: { city: 'Saltmarsh', postal_code: '98741' },
    permissions: { text: true, email: true, call: true },
  });
};

/** Requests per second of `clients` loops over some seconds. */
export async function rate(clients, seconds, request) {
  const until = performance.now() + seconds * 1000;
  let done = 0;
  const began = performance.now();
  await Promise.all(
    Array.from({ length: clients }, async () => {
      while (performance.now() < until) {
        await request();
        done += 1;
      }
    }),
  );
  return done / ((performance.now() - began) / 1000);
}

/** Requests at an even pace, whether the one before was answered or not; ends when all are. */
export async function atPace(perSecond, seconds, request) {
  const pending = [];
  const began = performance.now();
  for (let n = 0; n < perSecond * seconds; n += 1) {
    const wait = began + (n * 1_000) / perSecond - performance.now();
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    pending.push(request());
  }
  await Promise.all(pending);
}
