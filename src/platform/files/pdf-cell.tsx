/** One cell of a printed row. */
import { Text } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { STYLES } from './pdf-style';

export function Cell({
  grow,
  end = false,
  soft = false,
  indent = false,
  children,
}: {
  readonly grow: number;
  readonly end?: boolean;
  readonly soft?: boolean;
  readonly indent?: boolean;
  readonly children: ReactNode;
}) {
  const place = { flexGrow: grow, flexBasis: 0, paddingRight: end ? 0 : 6, paddingLeft: indent ? 8 : 0 };
  const style = { ...place, ...(end ? STYLES.end : {}), ...(soft ? STYLES.soft : {}) };
  return <Text style={style}>{children}</Text>;
}
