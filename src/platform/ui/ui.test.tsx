import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { Amount } from './amount';
import { Ledger, type LedgerColumn, type LedgerCursor } from './ledger';
import { TextEntry } from './text-entry';
import { TraceTree } from './trace-tree';
import { Wick } from './wick';

afterEach(cleanup);
beforeAll(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe(): void {}
      unobserve(): void {}
      disconnect(): void {}
    },
  );
  Element.prototype.scrollTo = () => undefined;
  Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, value: 600 });
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, value: 900 });
});

const plain = (text: string | null): string => (text ?? '').replace(/\u00a0/g, ' ');

describe('Amount', () => {
  it('writes whole and minor digits, and a plus where a sign is wanted', () => {
    const { container } = render(<Amount value="1234.5" currency="USD" signed />);
    expect(plain(container.textContent)).toBe('+1 234.50');
  });
});

describe('Wick', () => {
  const path = (low: string, likely: string, high: string): number => {
    const { container } = render(<Wick values={{ low, likely, high }} currency="USD" most={100} />);
    return container.querySelectorAll('line').length;
  };

  it('has its three numbers in its name', () => {
    path('10', '20', '80');
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
      'lean 10.00, likely 20.00, heavy 80.00 USD',
    );
  });

  it('is a tick without a line where there is no uncertainty', () => {
    expect(path('10', '20', '80')).toBe(2);
    expect(path('20', '20', '20')).toBe(1);
  });
});

interface Row {
  readonly name: string;
  readonly count: string;
}

function Book({ refuse, log }: { readonly refuse: string; readonly log: string[] }) {
  const [rows, setRows] = useState<Row[]>([
    { name: 'Front', count: '1' },
    { name: 'Back', count: '2' },
  ]);
  const [cursor, setCursor] = useState<LedgerCursor | null>({ row: 'Front', column: 'count' });
  const columns: LedgerColumn<Row>[] = [
    {
      key: 'name',
      head: 'Name',
      track: '1fr',
      cell: (row) => row.name,
      edit: () => ({ by: 'open', open: (typed) => log.push(`open ${typed}`) }),
    },
    {
      key: 'count',
      head: 'Count',
      track: '1fr',
      cell: (row) => row.count,
      edit: (row) => ({
        by: 'text',
        text: row.count,
        label: `Count ${row.name}`,
        preview: (text) => (text === refuse ? 'Not that.' : null),
        commit: (text) => {
          log.push(`commit ${text}`);
          setRows((all) => all.map((each) => (each.name === row.name ? { ...each, count: text } : each)));
        },
        cancel: () => log.push('cancel'),
      }),
    },
  ];
  return (
    <Ledger
      label="Book"
      columns={columns}
      rows={rows.map((row) => ({ key: row.name, level: 'flat', data: row }))}
      cursor={cursor}
      onCursor={setCursor}
      autoFocus
    />
  );
}

describe('Ledger', () => {
  const open = (refuse = '9') => {
    const log: string[] = [];
    render(<Book refuse={refuse} log={log} />);
    return { log, grid: screen.getByRole('grid') };
  };
  const active = (grid: HTMLElement): string | null =>
    document.getElementById(grid.getAttribute('aria-activedescendant')!)!.textContent;

  it('moves with the arrows and stops at the edges', () => {
    const { grid } = open();
    expect(active(grid)).toBe('1');
    for (const key of ['ArrowDown', 'ArrowDown', 'ArrowRight']) fireEvent.keyDown(grid, { key });
    expect(active(grid)).toBe('2');
    fireEvent.keyDown(grid, { key: 'Home' });
    expect(active(grid)).toBe('Back');
    fireEvent.keyDown(grid, { key: 'Home', ctrlKey: true });
    expect(active(grid)).toBe('Front');
  });

  it('replaces by typing, commits with Enter and moves down', () => {
    const { grid, log } = open();
    fireEvent.keyDown(grid, { key: '7' });
    const input = screen.getByRole('textbox', { name: 'Count Front' });
    expect(input).toHaveProperty('value', '7');
    fireEvent.keyDown(input, { key: 'Enter' });
    expect(log).toEqual(['commit 7']);
    expect(active(grid)).toBe('2');
    expect(document.activeElement).toBe(grid);
  });

  it('takes back with Esc, also a value that was shown already', () => {
    const { grid, log } = open();
    fireEvent.keyDown(grid, { key: 'Enter' });
    const input = screen.getByRole('textbox');
    fireEvent.change(input, { target: { value: '5' } });
    fireEvent.keyDown(input, { key: 'Escape' });
    expect(log).toEqual(['cancel']);
    expect(active(grid)).toBe('1');
  });

  it('keeps a refused value open with its reason', () => {
    const { grid, log } = open('9');
    fireEvent.keyDown(grid, { key: '9' });
    fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Enter' });
    expect(screen.getByRole('alert').textContent).toBe('Not that.');
    expect(log).toEqual([]);
  });

  it('keeps a good value when another cell is pressed', () => {
    const { grid, log } = open();
    fireEvent.keyDown(grid, { key: '4' });
    fireEvent.mouseDown(screen.getByText('Back'));
    expect(log).toEqual(['commit 4']);
  });

  it('opens what a cell opens, with what was typed', () => {
    const { grid, log } = open();
    fireEvent.keyDown(grid, { key: 'ArrowLeft' });
    fireEvent.keyDown(grid, { key: 'x' });
    fireEvent.keyDown(grid, { key: 'Enter' });
    expect(log).toEqual(['open x', 'open ']);
  });
});

describe('TextEntry', () => {
  it('previews each keystroke, refuses with a sentence, and commits on Enter', () => {
    const log: string[] = [];
    const preview = (text: string): string | null => {
      log.push(`preview ${text}`);
      return text === 'bad' ? 'No.' : null;
    };
    render(
      <TextEntry
        label="Hours"
        text="1"
        preview={preview}
        commit={(text) => log.push(`commit ${text}`)}
        cancel={() => log.push('cancel')}
      />,
    );
    const input = screen.getByLabelText('Hours');
    fireEvent.change(input, { target: { value: 'bad' } });
    expect(screen.getByRole('alert').textContent).toBe('No.');
    fireEvent.keyDown(input, { key: 'Enter' });
    fireEvent.change(input, { target: { value: '2' } });
    fireEvent.keyDown(input, { key: 'Enter' });
    fireEvent.blur(input);
    expect(log.filter((line) => line.startsWith('commit'))).toEqual(['commit 2']);
  });
});

describe('TraceTree', () => {
  it('opens steps, and names the source of every rate', () => {
    const source = { book: 'Small', revision: 3, effective: '2026-11-01', sku: 'A-4', region: 'severn' };
    const leaf = (label: string, value: string) => ({
      operation: 'given' as const,
      label,
      value,
      unit: 'hour',
      parts: [],
    });
    const figure = {
      operation: 'product' as const,
      label: 'Running',
      value: '73',
      unit: 'USD',
      parts: [
        {
          operation: 'product' as const,
          label: 'For all units',
          value: '730',
          unit: 'hour',
          parts: [leaf('Count', '1'), leaf('Hours', '730')],
        },
        {
          operation: 'rate' as const,
          label: 'Price per hour',
          value: '0.1',
          unit: 'USD per hour',
          parts: [],
          source,
        },
      ],
    };
    render(<TraceTree figure={figure} currency="USD" printed="73" />);
    expect(screen.getByText('Small book r3 · 2026-11-01 · A-4 · severn')).toBeTruthy();
    expect(screen.getByText('Hours')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /For all units/ }));
    expect(screen.queryByText('Hours')).toBeNull();
  });
});
