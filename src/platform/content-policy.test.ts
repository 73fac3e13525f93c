import { contentPolicy } from './content-policy';

const partsOf = (policy: string) => new Map(policy.split('; ').map((p) => [p.split(' ')[0], p]));

test('what ships runs no script that is made in the page, and speaks to no socket', () => {
  const ships = partsOf(contentPolicy('n', false));
  expect(ships.get('script-src')).toBe("script-src 'self' 'nonce-n' 'strict-dynamic'");
  expect(ships.get('connect-src')).toBe("connect-src 'self'");
});

test('while it is worked on, the framework’s tools may, and all else stays shut', () => {
  const worksOn = partsOf(contentPolicy('n', true));
  expect(worksOn.get('script-src')).toContain("'unsafe-eval'");
  expect(worksOn.get('connect-src')).toBe("connect-src 'self' ws:");
  const ships = partsOf(contentPolicy('n', false));
  for (const [name, part] of ships)
    if (name !== 'script-src' && name !== 'connect-src') expect(worksOn.get(name)).toBe(part);
});
