/** The look of a printed report: our typeface, ink on paper, hairlines. */
import { createRequire } from 'node:module';
import path from 'node:path';
import { Font, StyleSheet } from '@react-pdf/renderer';

const FAMILY = 'Hanken Grotesk';
let ready = false;

/** The files come with the package of the typeface; the renderer reads them from the disk. */
export function registerFonts(): void {
  if (ready) return;
  const require = createRequire(path.join(process.cwd(), 'package.json'));
  const folder = path.dirname(require.resolve('@fontsource/hanken-grotesk/package.json'));
  const file = (weight: number): string =>
    path.join(folder, 'files', `hanken-grotesk-latin-${weight}-normal.woff`);
  Font.register({
    family: FAMILY,
    fonts: [
      { src: file(400), fontWeight: 400 },
      { src: file(600), fontWeight: 600 },
    ],
  });
  // Words are never cut: names and SKUs must stay searchable.
  Font.registerHyphenationCallback((word) => [word]);
  ready = true;
}

const INK = '#17211D';
const SOFT = '#55635C';
const HAIRLINE = '#D9E0DA';

export const STYLES = StyleSheet.create({
  page: {
    fontFamily: FAMILY,
    fontSize: 8.5,
    color: INK,
    paddingTop: 46,
    paddingBottom: 44,
    paddingHorizontal: 40,
    lineHeight: 1.35,
  },
  running: { position: 'absolute', top: 20, left: 40, right: 40, color: SOFT, fontSize: 7.5 },
  foot: {
    position: 'absolute',
    top: 810,
    left: 40,
    right: 40,
    color: SOFT,
    fontSize: 7.5,
  },
  footAcross: { top: 563 },
  title: { fontSize: 19, fontWeight: 600, lineHeight: 1.2 },
  lead: { color: SOFT, marginTop: 4 },
  heading: {
    fontSize: 11,
    fontWeight: 600,
    marginTop: 16,
    paddingBottom: 3,
    borderBottomWidth: 1,
    borderBottomColor: INK,
  },
  head: {
    flexDirection: 'row',
    color: SOFT,
    fontSize: 7.5,
    borderBottomWidth: 0.75,
    borderBottomColor: INK,
    paddingVertical: 2.5,
  },
  row: {
    flexDirection: 'row',
    borderBottomWidth: 0.5,
    borderBottomColor: HAIRLINE,
    paddingVertical: 2.5,
  },
  section: {
    flexDirection: 'row',
    fontWeight: 600,
    borderBottomWidth: 0.75,
    borderBottomColor: INK,
    paddingTop: 8,
    paddingBottom: 2.5,
  },
  total: {
    flexDirection: 'row',
    fontWeight: 600,
    borderTopWidth: 0.75,
    borderTopColor: INK,
    paddingTop: 3,
    paddingBottom: 2,
  },
  double: {
    borderTopWidth: 0.75,
    borderTopColor: INK,
    height: 2,
    borderBottomWidth: 0.75,
    borderBottomColor: INK,
  },
  soft: { color: SOFT },
  strong: { fontWeight: 600 },
  end: { textAlign: 'right' },
});
