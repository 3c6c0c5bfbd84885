import { describe, expect, it, vi } from 'vitest';
import { pathOf } from './log';

describe('a path in the log', () => {
  it.each([
    ['http://localhost:4310/api/offers/search?find=secret', '/api/offers/search'],
    ['/designs/1#part', '/designs/1'],
    ['http://localhost/shared/KEY-of-a-link', '/shared/…'],
    ['/api/shared/KEY-of-a-link/trace?id=a', '/api/shared/…/trace'],
    [`/${'x'.repeat(500)}`, `/${'x'.repeat(199)}`],
  ])('%s is %s', (url, path) => expect(pathOf(url)).toBe(path));
});

describe('a log on a full disk', () => {
  it('answers nobody with an error of its own', async () => {
    vi.stubEnv('WICK_LOG', '/dev/full');
    vi.resetModules();
    const { log } = await import('./log');
    for (let at = 0; at < 20; at += 1) {
      expect(() => log.error({ err: new Error('x'.repeat(5000)) }, 'a fault of ours')).not.toThrow();
      expect(() => log.info({ path: '/' }, 'refused')).not.toThrow();
    }
    await new Promise((resolve) => setTimeout(resolve, 20));
    vi.unstubAllEnvs();
  });
});
