/** A plan from its JSON to what it costs: every action, every doubt, by resource and in total. */
import { describe, expect, it } from 'vitest';
import { planJson, server, volume } from '@tests/support/plans';
import { reviewed, rowOf } from '@tests/support/reviews';

const ADDRESS = 'norvane_server.web';

describe('a review', () => {
  it('of a new resource has nothing before, and its parts under it', () => {
    const after = server('bal-4-16', { root_disk: { gib: 40 }, disk: [{ gib: 200, class: 'swift' }] });
    const { review } = reviewed(planJson([{ address: ADDRESS, after }]));
    const row = rowOf(review, ADDRESS);
    expect([row.state, row.before, row.doubts]).toEqual(['new', '0', []]);
    expect(row.lines.map(({ part, kind }) => [part, kind])).toEqual([
      [null, 'server'],
      ['root disk', 'block-volume'],
      ['disk', 'block-volume'],
    ]);
    expect(review.totals.after).toBe(row.after);
    expect(Number(row.after)).toBeGreaterThan(0);
    expect(row.read).toContainEqual({ path: 'size', before: null, after: 'bal-4-16', unknown: false });
  });

  it('of a smaller size is down by the difference, and says which attribute did it', () => {
    const { review } = reviewed(
      planJson([{ address: ADDRESS, before: server('bal-8-32'), after: server('bal-4-16') }]),
    );
    const row = rowOf(review, ADDRESS);
    expect([row.state, row.action]).toEqual(['down', 'update']);
    expect(Number(row.difference)).toBeCloseTo(Number(row.after) - Number(row.before), 8);
    expect(row.read[0]).toEqual({ path: 'size', before: 'bal-8-32', after: 'bal-4-16', unknown: false });
    expect(row.lines[0]!.size).toEqual({ before: 'bal-8-32', after: 'bal-4-16' });
  });

  it.each([
    ['delete', ['delete'], 'gone'],
    ['replace', ['delete', 'create'], 'up'],
    ['replace', ['create', 'delete'], 'up'],
    ['update', ['update'], 'up'],
  ] as const)('knows %s from %j', (action, actions, state) => {
    const before = server('bal-4-16');
    const after = action === 'delete' ? null : server('bal-8-32');
    const row = rowOf(reviewed(planJson([{ address: ADDRESS, actions, before, after }])).review, ADDRESS);
    expect([row.action, row.state]).toEqual([action, state]);
  });

  it('changes nothing where nothing changes, is moved, taken in or only forgotten', () => {
    const same = server();
    const changes = [
      { address: 'norvane_server.a', actions: ['no-op'], before: same, after: same },
      {
        address: 'norvane_server.b',
        actions: ['no-op'],
        before: same,
        after: same,
        previous: 'norvane_server.old',
      },
      {
        address: 'norvane_server.c',
        actions: ['no-op'],
        before: same,
        after: same,
        change: { importing: { id: 'i-1' } },
      },
      { address: 'norvane_server.d', actions: ['forget'], before: same, after: null },
    ];
    const { review } = reviewed(planJson(changes));
    expect(review.rows.map(({ action, state, difference }) => [action, state, difference])).toEqual([
      ['unchanged', 'same', '0'],
      ['moved', 'same', '0'],
      ['import', 'same', '0'],
      ['forget', 'same', '0'],
    ]);
    expect(review.rows[1]!.movedFrom).toBe('norvane_server.old');
    expect(review.totals.difference).toBe('0');
    expect(Number(review.totals.after)).toBeGreaterThan(0);
  });

  it('never takes what it does not know for nothing', () => {
    const { review } = reviewed(
      planJson([
        { address: 'norvane_role.a', after: { name: 'x' } },
        { address: 'strange_thing.b', after: {} },
        { address: 'norvane_server.c', after: { labels: {} }, unknown: { size: true } },
        { address: 'norvane_server.d', after: server('bal-4-16'), secretAfter: { size: true } },
        { address: 'norvane_server.e', after: server('odd-1-1') },
        { address: 'norvane_volume.f', after: { class: 'even' }, unknown: { gib: true } },
        { address: 'norvane_store.g', after: {} },
        { address: 'norvane_server.h', after: { labels: {} } },
        {
          address: 'data.norvane_image.i',
          type: 'norvane_image',
          mode: 'data',
          actions: ['read'],
          after: {},
        },
      ]),
    );
    expect(
      review.rows.map(({ address, doubts, free }) => [address.split('.')[1], doubts, free !== null]),
    ).toEqual([
      ['a', [], true],
      ['b', ['no-rule'], false],
      ['c', ['unknown'], false],
      ['d', ['secret'], false],
      ['e', ['no-price'], false],
      ['f', ['unknown'], false],
      ['g', ['usage-missing'], false],
      ['h', ['rule-fault'], false],
    ]);
    expect(review.doubts).toEqual({
      'no-rule': 1,
      'no-price': 1,
      unknown: 2,
      secret: 1,
      'rule-fault': 1,
      'usage-missing': 1,
    });
    expect(review.withoutRule).toEqual([{ type: 'strange_thing', count: 1 }]);
    const span = rowOf(review, 'norvane_server.c').lines[0]!.span!;
    expect(Number(span.least)).toBeGreaterThan(0);
    expect(Number(span.most)).toBeGreaterThan(Number(span.least));
    const [, , , , , , store] = review.rows;
    expect(store!.lines[0]!.missing.map(({ meter, needed }) => [meter, needed])).toContainEqual([
      'stored',
      true,
    ]);
  });

  it('takes nothing for saved where it is not known what comes instead', () => {
    const before = server('bal-4-16', { disk: [{ gib: 100 }] });
    const after = server('odd-1-1', { disk: [{ gib: 100 }] });
    const { review } = reviewed(planJson([{ address: ADDRESS, before, after }]));
    const row = rowOf(review, ADDRESS);
    expect([row.state, row.difference, row.doubts]).toEqual(['open', '0', ['no-price']]);
    expect([review.totals.difference, review.totals.twelveMonths.difference]).toEqual(['0', '0']);
    expect([review.totals.aside.before, review.totals.aside.after]).toEqual([row.lines[0]!.before, '0']);
    const late = reviewed(
      planJson([{ address: ADDRESS, before, after: { disk: [{ gib: 100 }] }, unknown: { size: true } }]),
    ).review;
    expect([late.rows[0]!.state, late.totals.difference]).toEqual(['open', '0']);
  });

  it('keeps no secret and nothing that no rule read', () => {
    const canary = 'CANARY-7f3a';
    const { extract, review } = reviewed(
      planJson([
        {
          address: ADDRESS,
          before: server('bal-4-16', { password: canary, start_script: canary }),
          after: server(canary, { password: canary, labels: { owner: canary, team: 'web' } }),
          secretBefore: { password: true },
          secretAfter: { password: true, size: true, labels: { owner: true } },
        },
      ]),
    );
    expect(JSON.stringify([extract, review])).not.toContain(canary);
    expect(extract.resources[0]!.tags).toEqual({ team: 'web' });
  });

  it('takes the region from the resource, its provider, an alias, or a variable of a module', () => {
    const configuration = {
      provider_config: {
        norvane: { name: 'norvane', expressions: { region: { references: ['var.region'] } } },
        'norvane.south': {
          name: 'norvane',
          alias: 'south',
          expressions: { region: { constant_value: 'tasman-1' } },
        },
        'module.far:norvane': {
          name: 'norvane',
          module_address: 'module.far',
          expressions: { region: { references: ['var.place'] } },
        },
      },
      root_module: {
        variables: { region: { default: 'elbe-1' } },
        resources: [
          { type: 'norvane_server', name: 'a', mode: 'managed', provider_config_key: 'norvane' },
          { type: 'norvane_server', name: 'b', mode: 'managed', provider_config_key: 'norvane.south' },
        ],
        module_calls: {
          far: {
            expressions: { place: { references: ['var.region'] } },
            module: {
              variables: { place: {} },
              resources: [
                {
                  type: 'norvane_server',
                  name: 'c',
                  mode: 'managed',
                  provider_config_key: 'module.far:norvane',
                },
              ],
            },
          },
        },
      },
    };
    const changes = [
      { address: 'norvane_server.a', after: server() },
      { address: 'norvane_server.b', after: server() },
      { address: 'module.far["x"].norvane_server.c', module: 'module.far["x"]', after: server() },
      { address: 'norvane_server.d', after: server('bal-4-16', { region: 'plata-1' }) },
    ];
    const regions = (more: object) =>
      reviewed(planJson(changes, { configuration, ...more })).review.rows.map(
        ({ lines }) => lines[0]!.region,
      );
    expect(regions({ variables: { region: { value: 'hudson-1' } } })).toEqual([
      'hudson-1',
      'tasman-1',
      'hudson-1',
      'plata-1',
    ]);
    expect(regions({})).toEqual(['elbe-1', 'tasman-1', 'elbe-1', 'plata-1']);
  });

  it('lists what belongs to another under it, by the same key', () => {
    const configuration = {
      root_module: {
        resources: [
          { type: 'norvane_server', name: 'web', mode: 'managed' },
          {
            type: 'norvane_volume',
            name: 'data',
            mode: 'managed',
            expressions: { server: { references: ['norvane_server.web.id', 'norvane_server.web'] } },
          },
        ],
      },
    };
    const { review } = reviewed(
      planJson(
        [
          { address: 'norvane_server.web[0]', index: 0, after: server('bal-4-16', { region: 'severn-1' }) },
          { address: 'norvane_server.web[1]', index: 1, after: server('bal-4-16', { region: 'severn-1' }) },
          { address: 'norvane_volume.data[1]', index: 1, after: volume(100, { region: 'severn-1' }) },
        ],
        { configuration },
      ),
    );
    expect(rowOf(review, 'norvane_volume.data[1]').under).toBe('norvane_server.web[1]');
  });
});
