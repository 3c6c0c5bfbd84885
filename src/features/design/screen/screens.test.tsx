/** Screens as one meets them: the checklist, the painted week, the ledger bar, a report. */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { findingsOf } from '@/features/checklist/calc';
import { planOf } from '@/engine/pricing';
import type { Edit } from '@/engine/design';
import { summarise } from '@/engine/summary';
import { buildReport } from '@/features/report/calc';
import { ReportView } from '@/features/report/screen/report-view';
import { Checklist } from '@/features/checklist/screen/checklist';
import { LedgerBar } from './ledger-bar';
import { NO_FILTER } from './ledger-view';
import { WeekEditor } from './margin/week-editor';

vi.mock('@/features/report/screen/cash-chart', () => ({ CashChart: () => null }));
afterEach(cleanup);

const BOOKS = smallBooks();
const design = designOf([
  serverOf('a', { name: 'Web' }),
  transferOf('out', { likely: '300' }, { guesses: ['usage/transferred'], name: 'Pages' }),
  serverOf('lost', { name: 'Lost', choice: { by: 'none' } }),
]);
const plain = (text: string | null): string => (text ?? '').replace(/\u00a0/g, ' ');

describe('the checklist', () => {
  function show(answers: Parameters<typeof designOf>[1] = {}) {
    const shown = { ...design, ...answers };
    const findings = findingsOf(planOf(shown, BOOKS), () => 'new').map((each) => ({
      ...each,
      changes: each.remedy ? '12.5' : null,
    }));
    const applied: Edit[][] = [];
    const onShow = vi.fn();
    render(
      <Checklist
        findings={findings}
        trouble={null}
        summary={summarise(shown, BOOKS)}
        design={shown}
        apply={(edits) => applied.push([...edits]) > 0}
        onShow={onShow}
      />,
    );
    return { applied, onShow, findings };
  }

  it('applies a remedy by one press and says what it changes', () => {
    const { applied, findings } = show();
    const once = findings.find((each) => each.check === 'no-second-zone')!;
    const item = screen.getByRole('button', { name: once.remedy!.label }).closest('li')!;
    expect(plain(item.textContent)).toContain('+12.50 USD a month, more');
    fireEvent.click(within(item).getByRole('button', { name: once.remedy!.label }));
    expect(applied).toEqual([once.remedy!.edits]);
  });

  it('takes a reason why something is not wanted, and none without words', () => {
    const { applied } = show();
    fireEvent.click(screen.getByRole('button', { name: 'Not wanted: No monitoring' }));
    const field = screen.getByRole('textbox', { name: /Why it is not wanted: No monitoring/ });
    fireEvent.submit(field.closest('form')!);
    expect(applied).toEqual([]);
    fireEvent.change(field, { target: { value: '  Watched elsewhere. ' } });
    fireEvent.submit(field.closest('form')!);
    expect(applied).toEqual([
      [{ edit: 'answer-check', check: 'no-monitoring', subject: '', reason: 'Watched elsewhere.' }],
    ]);
  });

  it('shows answers apart, to be asked again, and opens the line of a finding', () => {
    const { applied, onShow } = show({
      answers: [{ check: 'no-monitoring', subject: '', reason: 'Watched elsewhere.' }],
    });
    const answered = screen.getByRole('region', { name: /^Not wanted: 1/ });
    expect(answered.textContent).toContain('Watched elsewhere.');
    fireEvent.click(within(answered).getByRole('button', { name: 'Ask again: No monitoring' }));
    expect(applied[0]).toMatchObject([{ edit: 'answer-check', reason: null }]);
    fireEvent.click(screen.getAllByRole('button', { name: 'Web' })[0]!);
    expect(onShow).toHaveBeenCalledWith('a');
  });

  it('ranks guesses and untouched defaults by money', () => {
    show();
    const list = screen.getByRole('region', { name: /^Guesses and untouched defaults: 2/ });
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((item) => item.querySelector('button')!.textContent),
    ).toEqual(['Web', 'Pages']);
    expect(list.textContent).toContain('“Sent out” is a guess');
  });

  it('says that it is looking, and what went wrong', () => {
    const common = { summary: null, design, apply: () => true, onShow: () => undefined };
    const { rerender } = render(<Checklist findings={null} trouble={null} {...common} />);
    expect(screen.getByText(/Looking through/)).toBeTruthy();
    rerender(<Checklist findings={null} trouble="No prices." {...common} />);
    expect(screen.getByRole('alert').textContent).toBe('No prices.');
    rerender(<Checklist findings={[]} trouble={null} {...common} />);
    expect(screen.getByRole('heading', { name: 'Nothing is open' })).toBeTruthy();
  });
});

describe('the painted week', () => {
  const never = Array.from({ length: 7 }, () => '.'.repeat(24));

  it('is painted by dragging from one hour to another', () => {
    const onChange = vi.fn();
    render(<WeekEditor days={never} onChange={onChange} />);
    fireEvent.pointerDown(screen.getByRole('gridcell', { name: 'Mon 8:00, stopped' }));
    fireEvent.pointerEnter(screen.getByRole('gridcell', { name: 'Tue 10:00, stopped' }));
    expect(screen.getAllByRole('gridcell', { name: /, runs$/ })).toHaveLength(6);
    fireEvent.pointerUp(screen.getByRole('grid'));
    const drawn = '.'.repeat(8) + '###' + '.'.repeat(13);
    expect(onChange).toHaveBeenCalledWith([drawn, drawn, ...never.slice(2)]);
  });

  it('is painted by arrows and the space bar', () => {
    const onChange = vi.fn();
    render(<WeekEditor days={never} onChange={onChange} />);
    const grid = screen.getByRole('grid');
    fireEvent.keyDown(grid, { key: 'ArrowRight' });
    fireEvent.keyDown(grid, { key: ' ' });
    expect(onChange).toHaveBeenLastCalledWith([`${'.'.repeat(9)}#${'.'.repeat(14)}`, ...never.slice(1)]);
    fireEvent.keyDown(grid, { key: 'ArrowUp' });
    expect(grid.getAttribute('aria-activedescendant')).toMatch(/-0-9$/);
  });
});

describe('the line over the ledger', () => {
  it('filters, jumps, and takes the filter back', () => {
    const onFilter = vi.fn();
    const onJump = vi.fn();
    render(
      <LedgerBar
        design={design}
        filtering={{ words: 'web', only: 'all' }}
        shown={1}
        hidden={new Set()}
        noRoom={[]}
        repeats={new Map()}
        onFilter={onFilter}
        onColumn={() => undefined}
        onJump={onJump}
      />,
    );
    expect(screen.getByRole('status').textContent).toContain('1 line; subtotals are of all');
    fireEvent.click(screen.getByRole('button', { name: 'Show all' }));
    expect(onFilter).toHaveBeenLastCalledWith(NO_FILTER);
    fireEvent.change(screen.getByRole('combobox', { name: 'Show only' }), { target: { value: 'unpriced' } });
    expect(onFilter).toHaveBeenLastCalledWith({ words: 'web', only: 'unpriced' });
    fireEvent.change(screen.getByRole('combobox', { name: 'Jump to a section' }), {
      target: { value: 'section' },
    });
    expect(onJump).toHaveBeenCalledWith('section');
  });
});

describe('a report on screen', () => {
  const { report } = buildReport(design, BOOKS, { variant: 'full', validUntil: null, withAgreements: true });

  it('says that it is incomplete, why, and never shows a zero for it', () => {
    render(<ReportView report={report} made="Revision 1" />);
    expect(screen.getByRole('region', { name: 'Totals' }).textContent).toContain('Incomplete: 1 not priced');
    const lost = screen.getByRole('rowheader', { name: /^Lost/ }).closest('tr')!;
    expect(lost.textContent).toContain('not priced');
    expect(lost.textContent).not.toMatch(/0\.00/);
    expect(screen.getByRole('region', { name: 'Not in the total, or not wanted' }).textContent).toContain(
      'Lost',
    );
  });

  it('explains only lines that have an amount', () => {
    render(
      <ReportView report={report} made="" explain={(line) => <button>{`explain ${line.id}`}</button>} />,
    );
    const explained = screen.getAllByRole('button').map((each) => each.textContent);
    expect(explained).toEqual(['explain a', 'explain out']);
  });
});
