import { createConfig, formatProblems, getTotals, lintFromString } from '@redocly/openapi-core';
import { openApiDocument } from '../src/features/readings/openapi';

/** `tsx scripts/lint-openapi.ts`: what a linter of others says of the document by which devices are programmed. */
const config = await createConfig({ extends: ['recommended-strict'] });
const problems = await lintFromString({
  source: JSON.stringify(openApiDocument()),
  absoluteRef: 'openapi.json',
  config,
});
formatProblems(problems, { totals: getTotals(problems), version: 'recommended-strict' });
process.exitCode = problems.length === 0 ? 0 : 1;
