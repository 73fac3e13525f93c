/** What a part came to, and the files that took longest. */
export type PartResult = { passed: number; failed: number; files: FileTime[] };
export type FileTime = { file: string; seconds: number };

type JestJson = {
  numPassedTests: number;
  numFailedTests: number;
  numFailedTestSuites: number;
  testResults: { name: string; startTime: number; endTime: number }[];
};

/** Reads Jest's JSON report. A suite that failed as a whole counts as one failure at least. */
export const jestResult = (r: JestJson): PartResult => ({
  passed: r.numPassedTests,
  failed: Math.max(r.numFailedTests, r.numFailedTestSuites),
  files: r.testResults.map((f) => ({ file: f.name, seconds: (f.endTime - f.startTime) / 1000 })),
});

type Suite = {
  file: string;
  suites?: Suite[];
  specs: { tests: { results: { duration: number }[] }[] }[];
};
type BrowserJson = {
  stats: { expected: number; unexpected: number; flaky: number };
  errors: unknown[];
  suites: Suite[];
};

const secondsOf = (s: Suite): number =>
  s.specs
    .flatMap((spec) => spec.tests.flatMap((t) => t.results))
    .reduce((sum, r) => sum + r.duration / 1000, 0) +
  (s.suites ?? []).reduce((sum, inner) => sum + secondsOf(inner), 0);

/** Reads Playwright's JSON report. A test that passed only when tried again counts as failed: it is not to be relied on. */
export const browserResult = (r: BrowserJson): PartResult => ({
  passed: r.stats.expected,
  failed: r.stats.unexpected + r.stats.flaky + r.errors.length,
  files: r.suites.map((s) => ({ file: `e2e/${s.file}`, seconds: secondsOf(s) })),
});

/** The files that took longest, slowest first. */
export const slowest = (results: readonly PartResult[], count: number): FileTime[] =>
  results
    .flatMap((r) => r.files)
    .sort((a, b) => b.seconds - a.seconds)
    .slice(0, count);
