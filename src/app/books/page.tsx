import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listBooks } from '@/features/price-books/use/books';
import { BooksLedger } from '@/features/price-books/screen/books-ledger';

export const metadata: Metadata = { title: 'Price books' };

export default async function BooksPage() {
  return <BooksLedger books={await listBooks(context())} />;
}
