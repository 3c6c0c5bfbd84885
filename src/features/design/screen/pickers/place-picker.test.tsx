import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createRef } from 'react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import type { BookInfo } from '../book-list';
import { PlacePicker } from './place-picker';

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
  Element.prototype.scrollIntoView = () => undefined;
});

const SHELF: readonly BookInfo[] = DEMO_PROFILES.map((profile) => {
  const { book, revision, regions } = generateBook(profile, DEMO_REVISIONS.at(-1)!);
  return {
    key: book.key,
    title: book.title,
    currency: book.currency,
    monthHours: book.monthHours,
    revision: revision.number,
    effective: revision.effective,
    newest: revision.number,
    revisions: [{ number: revision.number, effective: revision.effective }],
    regions,
  };
});
const PLACES = SHELF.flatMap((book) => book.regions.map((region) => ({ book, region })));

/** What Enter takes after these words. */
function taken(typed: string): { book: string; region: string } | null {
  const onChoose = vi.fn();
  render(
    <PlacePicker
      anchor={createRef()}
      bookList={SHELF}
      chosen={null}
      typed={typed}
      onChoose={onChoose}
      onClose={() => undefined}
    />,
  );
  fireEvent.keyDown(screen.getByRole('combobox'), { key: 'Enter' });
  cleanup();
  return (onChoose.mock.calls[0]?.[0] as { book: string; region: string } | undefined) ?? null;
}

describe('a place, typed', () => {
  it.each(PLACES.map(({ book, region }) => [book.title, region.name, book, region] as const))(
    '%s %s is that provider’s region, however it is shortened',
    (title, name, book, region) => {
      const wanted = { book: book.key, region: region.code };
      const [provider, water] = [title.slice(0, 4).toLowerCase(), name.slice(0, 3).toLowerCase()];
      for (const typed of [`${provider} ${water}`, `${water} ${provider}`]) {
        expect(taken(typed), typed).toEqual(wanted);
      }
    },
  );

  it('that no provider has takes nothing', () => {
    expect(taken('Norvane moon')).toBeNull();
    expect(taken('norvane tasman-1')).toEqual({ book: 'norvane', region: 'tasman-1' });
    expect(taken('zzz')).toBeNull();
  });
});
