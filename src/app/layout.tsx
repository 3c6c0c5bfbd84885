/** The frame of every page: theme from the cookie, fonts, the top line. Rendered anew so that the nonce fits. */
import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Toaster } from '@/platform/ui/toast';
import './globals.css';
import { Early, NOTE_EARLY } from '@/platform/shell/early';
import { TopLine } from '@/platform/shell/top-line';
import { PLACES, UnderwayNotes } from './places';

export const metadata: Metadata = {
  title: { default: 'Wick Tally', template: '%s · Wick Tally' },
  description: 'Prices planned infrastructure designs before deployment, and explains every amount.',
};

export const dynamic = 'force-dynamic';

export default async function Layout({ children }: { readonly children: ReactNode }) {
  const chosen = (await cookies()).get('theme')?.value;
  const theme = chosen === 'light' || chosen === 'dark' ? chosen : 'system';
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" data-theme={theme}>
      <body className="flex h-dvh flex-col print:block print:h-auto">
        {/* A browser shows no script its own nonce, so that what is there and what was sent never agree. */}
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: NOTE_EARLY }} />
        <TopLine theme={theme} places={PLACES} notes={<UnderwayNotes />} />
        <main className="flex min-h-0 flex-1 flex-col print:block">{children}</main>
        <Toaster />
        <Early />
      </body>
    </html>
  );
}
