import { describe, expect, it } from 'vitest';
import { planJson, server } from '@tests/support/plans';
import { planAgainst, readPlan, readPlanData } from './read-plan';

const ADDRESS = 'norvane_server.web';

function faultOf(data: unknown): string {
  const read = readPlanData(data);
  if (read.ok) return 'fine';
  const [{ path, message }] = read.faults as [{ path: string; message: string }];
  return `${path}: ${message}`;
}

function resources(data: unknown) {
  const read = readPlanData(data);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value.resources;
}

const shown = (values: object, more: object = {}) => ({
  address: ADDRESS,
  mode: 'managed',
  type: 'norvane_server',
  name: 'web',
  provider_name: 'registry.example/skerrow/norvane',
  values,
  ...more,
});

describe('the reader of plans', () => {
  it('takes every format from 0.1 to any 1.x, and says which it does not know', () => {
    for (const format_version of ['0.1', '0.2', '1.0', '1.2', '1.99'])
      expect(faultOf(planJson([], { format_version })), format_version).toBe('fine');
    expect(faultOf(planJson([], { format_version: '2.0' }))).toContain(
      '“2.0” is a format that is not known here',
    );
    expect(faultOf({})).toContain('neither a plan nor a state');
    expect(faultOf([])).toBe(': A plan is a JSON object.');
    expect(faultOf({ format_version: '1.2' })).toContain('nothing planned');
    expect(readPlan('plan: yes')).toMatchObject({ ok: false });
  });

  it('passes over fields that it does not know', () => {
    const plan = planJson([{ address: ADDRESS, after: server(), more: { novelty: { deep: [1] } } }], {
      novelty: true,
      checks: [],
    });
    expect(resources(plan)).toHaveLength(1);
  });

  it('says where an entry is broken, and changes nothing', () => {
    const broken = planJson([{ address: ADDRESS, after: server() }]) as { resource_changes: unknown[] };
    broken.resource_changes.push({ address: 'x.y', type: 'x', change: { actions: ['dance'] } });
    expect(faultOf(broken)).toBe(
      'resource_changes[1].change.actions: is none of the known actions, at “x.y”',
    );
    expect(faultOf({ format_version: '1.2', resource_changes: [3] })).toContain('resource_changes[0]');
    expect(faultOf(planJson([{ address: ADDRESS, actions: ['create'] }]))).toBe(
      `resource_changes[0].change.after: is missing, at “${ADDRESS}”`,
    );
    expect(faultOf(planJson([{ address: ADDRESS, actions: ['update'], after: server() }]))).toContain(
      'before: is missing',
    );
    expect(faultOf({ format_version: '1.2', resource_changes: {} })).toBe('resource_changes: must be a list');
    expect(
      faultOf(
        planJson([{ address: ADDRESS }, { address: ADDRESS }].map((each) => ({ ...each, after: server() }))),
      ),
    ).toContain('stands in it twice');
  });

  it('keeps leftovers of a replacement apart, and what is left to itself', () => {
    const changes = [
      { address: ADDRESS, actions: ['no-op'], before: server(), after: server() },
      { address: ADDRESS, actions: ['delete'], before: server(), more: { deposed: '1a2b' } },
      { address: 'norvane_server.b', actions: ['create', 'forget'], before: server(), after: server() },
    ];
    expect(resources(planJson(changes)).map(({ address, action }) => [address, action])).toEqual([
      [ADDRESS, 'unchanged'],
      [`${ADDRESS} (left over, 1a2b)`, 'delete'],
      ['norvane_server.b', 'create'],
    ]);
  });

  it('reads a state as shown and as kept, with nested modules', () => {
    const state = {
      format_version: '1.0',
      values: {
        root_module: {
          resources: [shown({ size: 'bal-4-16' }), shown({}, { address: 'data.x.y', mode: 'data' })],
          child_modules: [
            {
              address: 'module.a["x"]',
              child_modules: [
                {
                  address: 'module.a["x"].module.b',
                  resources: [shown({}, { address: `module.a["x"].module.b.${ADDRESS}` })],
                },
              ],
            },
          ],
        },
      },
    };
    expect(resources(state).map(({ module, action }) => [module, action])).toEqual([
      ['', 'unchanged'],
      ['module.a["x"].module.b', 'unchanged'],
    ]);
    const kept = {
      version: 4,
      resources: [
        {
          mode: 'managed',
          type: 'norvane_server',
          name: 'web',
          module: 'module.a',
          provider: 'provider["registry.example/skerrow/norvane"]',
          instances: [
            {
              index_key: 'x',
              attributes: { size: 'bal-4-16', password: 'p' },
              sensitive_attributes: [[{ type: 'get_attr', value: 'password' }]],
            },
          ],
        },
      ],
    };
    expect(resources(kept)).toMatchObject([
      {
        address: 'module.a.norvane_server.web["x"]',
        provider: 'norvane',
        key: 'x',
        after: { secret: { password: true } },
      },
    ]);
  });

  it('holds planned values against the state before them, and two plans against one another', () => {
    const planned = {
      format_version: '1.2',
      planned_values: {
        root_module: { resources: [shown({ size: 'b' }), shown({}, { address: 'norvane_server.n' })] },
      },
      prior_state: {
        format_version: '1.0',
        values: {
          root_module: { resources: [shown({ size: 'a' }), shown({}, { address: 'norvane_server.o' })] },
        },
      },
    };
    expect(resources(planned).map(({ address, action }) => [address, action])).toEqual([
      [ADDRESS, 'update'],
      ['norvane_server.n', 'create'],
      ['norvane_server.o', 'delete'],
    ]);
    const read = (data: unknown) => {
      const found = readPlanData(data);
      if (!found.ok) throw new Error('refused');
      return found.value;
    };
    const [first, second] = [
      read(
        planJson([
          { address: ADDRESS, after: server('bal-4-16') },
          { address: 'norvane_server.gone', before: server(), after: null },
        ]),
      ),
      read(
        planJson([
          { address: ADDRESS, after: server('bal-8-32') },
          { address: 'norvane_server.more', after: server() },
        ]),
      ),
    ];
    expect(planAgainst(first, second).resources.map(({ address, action }) => [address, action])).toEqual([
      [ADDRESS, 'update'],
      ['norvane_server.more', 'create'],
    ]);
  });

  it('looks no deeper than anybody nests, and does not fall over', () => {
    let nest: object = { resources: [shown({})] };
    for (let depth = 0; depth < 5000; depth += 1) nest = { child_modules: [nest] };
    expect(resources({ format_version: '1.0', values: { root_module: nest } })).toEqual([]);
    const deep = `${'['.repeat(200_000)}${']'.repeat(200_000)}`;
    const text = JSON.stringify(planJson([{ address: ADDRESS, after: { size: 'DEEP' } }])).replace(
      '"DEEP"',
      deep,
    );
    expect(readPlan(text)).toMatchObject({ ok: true });
  });

  it('says that a plan is not complete', () => {
    const read = readPlanData(planJson([], { errored: true, complete: false }));
    expect(read.ok && read.value.remarks).toHaveLength(2);
  });
});
