const swc = [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
      target: 'es2022',
    },
    module: { type: 'commonjs' },
  },
];
const common = {
  testEnvironment: 'node',
  transform: { '^.+\\.(t|j|mj)sx?$': swc },
  transformIgnorePatterns: [
    '/node_modules/(?!(uuid|@block65|uint8array-extras|better-auth|@better-auth|@better-fetch|better-call|jose|@noble|nanostores|rou3|defu|kysely)/)',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  setupFilesAfterEnv: ['<rootDir>/tests/support/patience.ts'],
};

const config = {
  projects: [
    {
      ...common,
      displayName: 'unit',
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/scripts/**/*.test.ts'],
    },
    {
      ...common,
      displayName: 'integration',
      testMatch: ['<rootDir>/tests/integration/**/*.test.ts'],
    },
  ],
};

export default config;
