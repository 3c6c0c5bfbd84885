/** Estates from the outside: every route as a browser or a script meets it. */
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { machineOf } from '@tests/support/fleet-contract';
import { asElsewhere, asHere, call, errorOf, freshStart } from '@tests/support/routes';
import type { FleetPlan } from '@/features/fleet/calc';
import * as machinesRoute from '@/app/api/fleets/[id]/machines/route';
import * as restoreRoute from '@/app/api/fleets/[id]/restore/route';
import * as fleetRoute from '@/app/api/fleets/[id]/route';
import * as mappingRoute from '@/app/api/fleets/mapping/route';
import * as fleetsRoute from '@/app/api/fleets/route';
import { machineLines } from '@/features/fleet/format/machine-schema';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

interface Stored {
  readonly revision: number;
  readonly plan: FleetPlan;
}

let id = '';
const lines = (...names: readonly string[]): string =>
  [...machineLines(names.map((name) => machineOf(name)))].join('');
const bring = (body: string, of: string = id) =>
  call(machinesRoute, 'PUT', { id: of }, { body, query: '?title=Quay&origin=quay.csv' });
const opened = async (): Promise<Stored> => (await call(fleetRoute, 'GET', { id })).json<Stored>();

beforeEach(async () => {
  await freshStart();
  asHere();
  id = randomUUID();
  expect((await bring(lines('a', 'b', 'c'))).status).toBe(201);
});

describe('a fleet', () => {
  it('is brought in, read page by page, planned with, deleted and restored', async () => {
    const page = await call(machinesRoute, 'GET', { id }, { query: '?after=1&limit=1' });
    expect(page.json<{ id: string }[]>().map((machine) => machine.id)).toEqual(['b']);
    const { plan, revision } = await opened();
    const saved = await call(
      fleetRoute,
      'PUT',
      { id },
      { body: { baseRevision: revision, plan: { ...plan, title: 'Pier' } } },
    );
    expect([saved.status, saved.json()]).toEqual([200, { revision: 1 }]);
    const stale = await call(fleetRoute, 'PUT', { id }, { body: { baseRevision: revision, plan } });
    expect([stale.status, errorOf(stale).code]).toEqual([409, 'conflict']);
    expect((await bring(lines('a', 'd'))).json()).toMatchObject({
      isNew: false,
      added: 1,
      gone: 2,
      changed: 0,
    });
    expect((await call(fleetsRoute, 'GET', {})).json()).toMatchObject([{ id, title: 'Pier', machines: 2 }]);
    expect((await call(fleetRoute, 'DELETE', { id })).status).toBe(200);
    expect((await call(fleetRoute, 'GET', { id })).status).toBe(404);
    expect((await call(restoreRoute, 'POST', { id })).status).toBe(200);
    expect((await opened()).plan.title).toBe('Pier');
  });

  it.each<[string, string, RegExp]>([
    ['nothing', '', /Nothing was sent/],
    ['what is no machine', `${lines('a').split('\n')[0]}\n{"id":"a"}\n`, /Line 2/],
    ['half of it', lines('a', 'b').slice(0, -40), /Line 3 is no JSON|were announced/],
    ['bytes that are no text', '\ud800', /./],
  ])('refuses %s in words, and changes nothing', async (_, body, words) => {
    const answer = await bring(body);
    expect([answer.status, errorOf(answer).message]).toEqual([422, expect.stringMatching(words)]);
    const page = await call(machinesRoute, 'GET', { id });
    expect(page.json<{ id: string }[]>()).toHaveLength(3);
  });

  it('refuses ids that are none, plans that are none, and places that are no numbers', async () => {
    expect((await bring(lines('a'), 'x')).status).toBe(422);
    for (const body of [{}, { baseRevision: 0, plan: {} }, { baseRevision: -1, plan: (await opened()).plan }])
      expect((await call(fleetRoute, 'PUT', { id }, { body })).status).toBe(422);
    expect((await call(machinesRoute, 'GET', { id }, { query: '?after=x' })).status).toBe(422);
    expect((await call(fleetRoute, 'GET', { id: 'x' })).status).toBe(404);
    expect((await opened()).revision).toBe(0);
  });

  it('is not there for another workspace', async () => {
    const { plan } = await opened();
    asElsewhere();
    const answers = [
      await call(fleetRoute, 'GET', { id }),
      await call(fleetRoute, 'PUT', { id }, { body: { baseRevision: 0, plan } }),
      await call(fleetRoute, 'DELETE', { id }),
      await call(machinesRoute, 'GET', { id }),
      await bring(lines('z')),
    ];
    expect(answers.map(({ status }) => status)).toEqual([404, 404, 404, 404, 404]);
    expect((await call(fleetsRoute, 'GET', {})).json()).toEqual([]);
    asHere();
    expect((await call(machinesRoute, 'GET', { id })).json()).toHaveLength(3);
  });

  it('remembers how headings were mapped, and takes nothing for a mapping that is none', async () => {
    const headings = 'Box\tCores';
    const mapping = {
      chosen: { Box: 'name', Cores: null },
      units: { Cores: 'GHz' },
      roles: { Sheet: 'machines' },
    };
    expect((await call(mappingRoute, 'POST', {}, { body: { headings } })).json()).toBeNull();
    expect((await call(mappingRoute, 'PUT', {}, { body: { headings, mapping } })).status).toBe(204);
    expect((await call(mappingRoute, 'POST', {}, { body: { headings } })).json()).toEqual(mapping);
    for (const body of [{}, { headings, mapping: { ...mapping, chosen: { Box: 'password' } } }])
      expect((await call(mappingRoute, 'PUT', {}, { body })).status).toBe(422);
  });
});
