import { BOOK, cell, fact, machine, money } from '@tests/support/placing';
import { describe, expect, it } from 'vitest';
import type { Agreement } from '@/engine/terms';
import { Placer } from './';

describe('what a placement pays for licences and by agreements', () => {
  it('counts a licence where it is in the rate, and none where it is brought or the system is free', () => {
    const licensed = [machine('a', 2, 8, { system: 'Server OS' })];
    expect(cell(licensed).kinds.systems.greaterThan(0)).toBe(true);
    expect(money(cell(licensed, { licences: 'brought' }).kinds.systems)).toBe('0');
    expect(money(cell([machine('a', 2, 8)]).kinds.systems)).toBe('0');
    // 17 vCPU with a licence: what is so large has none here.
    expect(cell([machine('a', 12, 40, { system: 'Server OS' })]).unfit).toEqual([
      { id: 'a', why: 'licence' },
    ]);
  });

  it('counts databases apart from systems, each in the rate or brought, and says what nobody mapped', () => {
    const by = new Placer({
      currency: BOOK.currency,
      exchange: [],
      books: [BOOK],
      systems: {},
      licences: { 'Ledger DB': { is: 'licensed', product: 'ledger-db' } },
    });
    const one = [machine('a', 2, 8, { licences: 'Ledger DB; Tariff engine' })];
    const { kinds, layout } = cell(one, {}, by);
    expect(money(kinds.systems)).toBe('0');
    // The same licence as a system's costs the same.
    expect(money(kinds.licences)).toBe(
      money(cell([machine('a', 2, 8, { system: 'Server OS' })]).kinds.systems),
    );
    expect(layout.counts.unmapped).toBe(1);
    expect(money(cell(one, { softwareLicences: 'brought' }, by).kinds.licences)).toBe('0');
    const apart = cell(one, { licences: 'brought', softwareLicences: 'included' }, by);
    expect(money(apart.kinds.licences)).toBe(money(kinds.licences));
  });

  it('takes what was agreed with the provider off, and carries it into the design', () => {
    const agreement: Agreement = {
      id: 'frame',
      name: 'Frame',
      covers: { books: ['wide'], categories: [], kinds: ['server'], skus: [] },
      from: null,
      to: null,
      discount: { by: 'share', share: '0.25' },
      margin: null,
    };
    const machines = [machine('a', 2, 8, { storage: fact(100) })];
    const [list, agreed] = [cell(machines), cell(machines, { agreements: [agreement] })];
    expect(money(agreed.kinds.compute)).toBe(money(list.kinds.compute.times('0.75')));
    expect(money(agreed.kinds.storage)).toBe(money(list.kinds.storage));
    expect(agreed.design.agreements).toEqual([agreement]);
  });
});
