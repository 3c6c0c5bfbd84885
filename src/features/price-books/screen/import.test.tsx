/** An import under way: seen, left to itself, cancelled, refused. The server is played. */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ImportDialog } from './import-dialog';
import { ImportNote } from './import-note';
import {
  BOOK_IMPORT,
  cancelImport,
  doneOf,
  forgetTrouble,
  percentOf,
  startImport,
  useImports,
} from './import-store';

const told = vi.hoisted(() => [] as string[]);
vi.mock('@/platform/ui/toast', () => ({ tell: (text: string) => void told.push(text) }));

interface Call {
  readonly method: string;
  readonly path: string;
  readonly answer: (body: unknown, status?: number) => void;
}

let calls: Call[] = [];

beforeEach(() => {
  vi.useFakeTimers();
  calls = [];
  told.length = 0;
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    return new Promise<Response>((resolve, reject) => {
      init.signal?.addEventListener('abort', () => reject(new Error('aborted')));
      calls.push({
        method: init.method ?? 'GET',
        path,
        answer: (body, status = 200) => resolve(Response.json(body, { status })),
      });
    });
  });
});

afterEach(() => {
  cleanup();
  forgetTrouble();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function Screen({ left = false, onLeave = () => undefined }: { left?: boolean; onLeave?: () => void }) {
  const imports = useImports();
  const { uploading, trouble } = imports;
  const done = doneOf(imports, BOOK_IMPORT);
  return (
    <>
      <ImportNote />
      <ImportDialog uploading={left ? null : uploading} onLeave={onLeave} />
      <output aria-label="trouble">{trouble?.message}</output>
      <output aria-label="done">{done?.title}</output>
    </>
  );
}

const file = new File(['x'.repeat(200)], 'norvane.json');
const sent = (): Call => calls.find((call) => call.method === 'PUT')!;
const later = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
const saying = (label: string): string => screen.getByRole('status', { name: label }).textContent;

async function begin(): Promise<void> {
  await act(async () => {
    void startImport(file, BOOK_IMPORT);
    await Promise.resolve();
  });
}

describe('an import', () => {
  it('shows how far it is, in the dialog and in the top line', async () => {
    render(<Screen />);
    await begin();
    expect(sent().path).toMatch(/^\/api\/books\/import\/[-0-9a-f]{36}\?name=norvane\.json$/);
    await later(450);
    calls.at(-1)!.answer({ bytes: 90, rates: 12_000 });
    await later(10);
    const bar = screen.getByRole('progressbar', { name: 'Read so far' });
    expect(bar.getAttribute('aria-valuenow')).toBe('45');
    expect(screen.getByRole('link', { hidden: true }).textContent).toBe('Bringing in a price book, 45 %');
    expect(screen.getByText(/rates checked/).textContent).toContain('12\u00a0000 rates checked');
    sent().answer({ key: 'norvane', title: 'Norvane', revision: 4, rates: 31_000 });
    await later(10);
  });

  it('goes on while one works elsewhere, and says when it is published', async () => {
    const onLeave = vi.fn();
    const { rerender } = render(<Screen onLeave={onLeave} />);
    await begin();
    fireEvent.click(screen.getByRole('button', { name: 'Go on working' }));
    expect(onLeave).toHaveBeenCalled();
    rerender(<Screen left />);
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(screen.getByRole('link').textContent).toContain('Bringing in a price book');
    sent().answer({ key: 'norvane', title: 'Norvane', revision: 5, rates: 31_000 });
    await later(10);
    expect(told).toEqual(['Norvane, revision 5: 31\u00a0000 rates are published.']);
    expect(saying('done')).toBe('Norvane');
    expect(screen.queryByRole('link')).toBeNull();
  });

  it('asks before the window is closed, and not afterwards', async () => {
    render(<Screen />);
    await begin();
    const closing = (): boolean => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));
    expect(closing()).toBe(true);
    sent().answer({ key: 'a', title: 'A', revision: 1, rates: 1 });
    await later(10);
    expect(closing()).toBe(false);
  });

  it('that is refused says what is wrong, until it is put away', async () => {
    render(<Screen />);
    await begin();
    sent().answer(
      { error: { message: 'Row 3 has no unit.', faults: [{ path: 'rates[2].unit' }], more: 4 } },
      422,
    );
    await later(10);
    expect(told).toEqual(['norvane.json was not brought in: Row 3 has no unit.']);
    expect(saying('trouble')).toBe('Row 3 has no unit.');
    act(() => forgetTrouble());
    expect(saying('trouble')).toBe('');
  });

  it('that is cancelled tells the server first, and is no trouble', async () => {
    render(<Screen />);
    await begin();
    act(() => cancelImport());
    const stop = calls.find((call) => call.method === 'DELETE')!;
    expect(stop.path).toBe(sent().path.split('?')[0]);
    stop.answer({});
    await later(10);
    expect(screen.queryByRole('progressbar')).toBeNull();
    expect(saying('trouble')).toBe('');
    expect(told).toEqual([]);
  });

  it('is one at a time', async () => {
    render(<Screen />);
    await begin();
    await begin();
    expect(calls.filter((call) => call.method === 'PUT')).toHaveLength(1);
    sent().answer({ key: 'a', title: 'A', revision: 1, rates: 1 });
    await later(10);
  });

  it('of an empty file is at no per cent, and never beyond a hundred', () => {
    const uploading = { id: 'i', kind: BOOK_IMPORT, name: 'n', bytes: 0, read: 0, rates: 0 };
    expect(percentOf(uploading)).toBe(0);
    expect(percentOf({ ...uploading, bytes: 3, read: 2 })).toBe(66);
    expect(percentOf({ ...uploading, bytes: 3, read: 9 })).toBe(100);
  });
});
