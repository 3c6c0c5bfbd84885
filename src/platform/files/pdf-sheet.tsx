/** Pages of a printed report: running title, foot, page numbers. */
import { Page, Text } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { STYLES } from './pdf-style';

interface SheetProps {
  readonly title: string;
  readonly foot: string;
  readonly across?: boolean;
  readonly children: ReactNode;
}

export function Sheet({ title, foot, across = false, children }: SheetProps) {
  const low = across ? STYLES.footAcross : {};
  return (
    <Page size="A4" orientation={across ? 'landscape' : 'portrait'} style={STYLES.page}>
      <Text fixed style={STYLES.running} render={({ pageNumber }) => (pageNumber > 1 ? title : '')} />
      {children}
      <Text fixed style={[STYLES.foot, low]}>
        {foot}
      </Text>
      <Text
        fixed
        style={[STYLES.foot, STYLES.end, low]}
        render={({ pageNumber, totalPages }) => `Page ${pageNumber} of ${totalPages}`}
      />
    </Page>
  );
}
