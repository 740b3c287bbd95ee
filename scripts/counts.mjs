// Reads "TOTAL FAILED" out of what a test runner printed: xUnit's summary, or the JSON of Vitest or Playwright. With --failures, what
// failed and how, of the JSON.
import { readFileSync } from 'node:fs';

const text = readFileSync(process.argv[2], 'utf8');
const report = () => JSON.parse(text.slice(text.indexOf('{'), text.lastIndexOf('}') + 1));

function counts() {
  const xunit = /Total: (\d+), Errors: (\d+), Failed: (\d+)/.exec(text);
  if (xunit) return [xunit[1], Number(xunit[2]) + Number(xunit[3])];
  const { stats, numTotalTests, numFailedTests } = report();
  return stats
    ? [stats.expected + stats.unexpected + stats.flaky, stats.unexpected + stats.flaky]
    : [numTotalTests, numFailedTests];
}

/** Every failed test with its messages. */
function* failures({ suites, testResults }) {
  for (const file of testResults ?? [])
    for (const test of file.assertionResults)
      if (test.status === 'failed') yield [`${file.name}: ${test.fullName}`, test.failureMessages];
  for (const suite of suites ?? []) {
    for (const spec of suite.specs ?? [])
      if (!spec.ok)
        yield [
          `${spec.file}: ${spec.title}`,
          spec.tests.flatMap(({ results }) => results.flatMap(({ errors }) => errors.map(({ message }) => message))),
        ];
    yield* failures(suite);
  }
}

try {
  if (process.argv[3] === '--failures') {
    for (const [name, messages] of failures(report())) {
      console.log(`✘ ${name}`);
      for (const message of messages) console.log(message.split('\n').slice(0, 14).join('\n'));
    }
  } else console.log(counts().join(' '));
} catch {
  console.log('');
}
