// Reads "TOTAL FAILED" out of what a test runner printed: xUnit's summary, or the JSON of Vitest or Playwright.
import { readFileSync } from 'node:fs';

const text = readFileSync(process.argv[2], 'utf8');
const xunit = /Total: (\d+), Errors: (\d+), Failed: (\d+)/.exec(text);
if (xunit) {
  console.log(xunit[1], Number(xunit[2]) + Number(xunit[3]));
} else {
  const start = text.indexOf('{');
  try {
    const report = JSON.parse(text.slice(start, text.lastIndexOf('}') + 1));
    if (report.stats) console.log(report.stats.expected + report.stats.unexpected + report.stats.flaky, report.stats.unexpected + report.stats.flaky);
    else console.log(report.numTotalTests, report.numFailedTests);
  } catch {
    console.log('');
  }
}
