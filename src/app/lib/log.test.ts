import { describe, expect, it } from 'vitest';
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
