/** What may be asked of offers. */
'use client';
import Link from 'next/link';
import { KINDS } from '@/engine/books';
import { INPUT } from '@/platform/ui/field';

export interface SearchPlace {
  readonly key: string;
  readonly title: string;
  readonly regions: readonly { readonly code: string; readonly name: string }[];
}

export interface Asked {
  readonly text: string;
  readonly kind: string;
  readonly book: string;
  readonly region: string;
  readonly vcpu: string;
  readonly memory: string;
  readonly gpu: string;
  readonly capability: string;
  readonly priceFrom: string;
  readonly priceTo: string;
}

export const NOTHING_ASKED: Asked = {
  text: '',
  kind: '',
  book: '',
  region: '',
  vcpu: '',
  memory: '',
  gpu: '',
  capability: '',
  priceFrom: '',
  priceTo: '',
};

interface SearchBarProps {
  readonly books: readonly SearchPlace[];
  readonly asked: Asked;
  readonly onAsk: (asked: Asked) => void;
}

export function SearchBar({ books, asked, onAsk }: SearchBarProps) {
  const set = (part: Partial<Asked>): void => onAsk({ ...asked, ...part });
  const text = (label: string, field: keyof Asked, width: string, hint = '', title?: string) => (
    <label className={width} title={title}>
      <span className="mb-0.5 block text-xs text-soft">{label}</span>
      <input
        value={asked[field]}
        placeholder={hint}
        inputMode={hint ? undefined : 'decimal'}
        onChange={(event) => set({ [field]: event.target.value })}
        className={INPUT}
      />
    </label>
  );
  return (
    <form
      role="search"
      aria-label="Prices"
      onSubmit={(event) => event.preventDefault()}
      className="flex shrink-0 flex-wrap items-end gap-2 border-b border-line px-[18px] py-2"
    >
      <h1 className="mr-2 self-center text-lg font-semibold">Prices</h1>
      <Link href="/prices/bare" prefetch={false} className="mr-2 self-center text-sm text-brand underline">
        Bare rates side by side
      </Link>
      {text('Words', 'text', 'min-w-[150px] flex-1', 'name, family, provider')}
      <label className="w-[150px]">
        <span className="mb-0.5 block text-xs text-soft">Kind</span>
        <select value={asked.kind} onChange={(event) => set({ kind: event.target.value })} className={INPUT}>
          <option value="">all</option>
          {KINDS.filter((kind) => kind.kind !== 'custom').map((kind) => (
            <option key={kind.kind} value={kind.kind}>
              {kind.label}
            </option>
          ))}
        </select>
      </label>
      <label className="w-[190px]">
        <span className="mb-0.5 block text-xs text-soft">Provider and region</span>
        <select
          value={`${asked.book}\n${asked.region}`}
          onChange={(event) => {
            const [book = '', region = ''] = event.target.value.split('\n');
            set({ book, region });
          }}
          className={INPUT}
        >
          <option value={'\n'}>everywhere</option>
          {books.map((book) => (
            <optgroup key={book.key} label={book.title}>
              <option value={`${book.key}\n`}>{book.title}, all regions</option>
              {book.regions.map((region) => (
                <option key={region.code} value={`${book.key}\n${region.code}`}>
                  {book.title}, {region.name}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      </label>
      {text('vCPU from', 'vcpu', 'w-[66px]')}
      {text('GiB from', 'memory', 'w-[66px]')}
      {text('GPU from', 'gpu', 'w-[66px]')}
      {text('Capability', 'capability', 'w-[128px]', 'sleeps, replicas')}
      {text('Price from', 'priceFrom', 'w-[76px]', '', 'Of one lot, such as 730 hours or 1 TB for a month')}
      {text('Price up to', 'priceTo', 'w-[76px]', '', 'Of one lot, such as 730 hours or 1 TB for a month')}
    </form>
  );
}
