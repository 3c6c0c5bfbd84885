/** A drawing on paper: lines that differ in stroke as well as in ink, marked places, and what the axes are. */
import { Circle, Line, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { decimal } from '@/engine/base';
import { type Drawing } from '@/platform/tables';
import { writeNumber } from '@/platform/words';
import { STYLES } from './pdf-style';

const WIDTH = 500;
const HEIGHT = 170;
const PAD = { left: 56, right: 10, top: 14, bottom: 20 } as const;
const INKS = ['#17594A', '#8A3B12', '#2B4C7E', '#6B4E00', '#55635C', '#7A2E5C'] as const;
const DASHES = ['', '5 3', '2 2', '8 3 2 3'] as const;
const TICKS = 5;

const LOOK = StyleSheet.create({
  word: { position: 'absolute', fontSize: 7, color: '#55635C', lineHeight: 1 },
  legend: { flexDirection: 'row', flexWrap: 'wrap', marginTop: 2 },
  key: { flexDirection: 'row', alignItems: 'center', marginRight: 14 },
  keyText: { fontSize: 7.5, marginLeft: 4 },
});

const log = (value: number): number => Math.log10(Math.max(value, 1e-12));
const tick = (value: number): string =>
  writeNumber(decimal(Number(value.toPrecision(3)))).replaceAll('−', '-');

/** From a scale of the drawing to points of paper. */
export function scaleOf(
  scale: 'linear' | 'log',
  from: number,
  to: number,
  start: number,
  end: number,
  parts?: number,
) {
  const on = (value: number): number => (scale === 'log' ? log(value) : value);
  const width = on(to) - on(from) || 1;
  const place = (value: number): number => start + ((on(value) - on(from)) / width) * (end - start);
  if (scale === 'log') return { place, ticks: powers(from, to) };
  if (parts === undefined) return { place, ticks: rounds(from, to) };
  return { place, ticks: Array.from({ length: parts + 1 }, (_, at) => from + ((to - from) * at) / parts) };
}

/** One, two and five of each power; where these are too many, the powers alone. */
function powers(from: number, to: number): number[] {
  const all: number[] = [];
  for (let power = Math.floor(log(from)); power <= log(to); power += 1) {
    for (const part of [1, 2, 5]) all.push(Number((part * 10 ** power).toPrecision(2)));
  }
  const inside = all.filter((each) => each >= from * 0.9999 && each <= to * 1.0001);
  return inside.length <= TICKS + 2
    ? inside
    : inside.filter((each) => Number.isInteger(Math.round(log(each) * 1e6) / 1e6));
}

function rounds(from: number, to: number): number[] {
  const rough = (to - from) / TICKS;
  const power = 10 ** Math.floor(log(rough));
  const step = ([1, 2, 2.5, 5].find((each) => each * power >= rough * 0.999) ?? 10) * power;
  const first = Math.ceil(from / step - 1e-9);
  const count = Math.floor(to / step + 1e-9) - first + 1;
  return Array.from({ length: Math.max(0, count) }, (_, at) => Number(((first + at) * step).toPrecision(12)));
}

/** The strokes of one line: a gap where there is no amount; level to the next place where it is stepped. */
export function strokesOf(
  points: Drawing['lines'][number]['points'],
  x: (at: number) => number,
  y: (amount: number) => number,
  stepped: boolean,
): string {
  let path = '';
  let open = false;
  let before = 0;
  for (const [at, amount] of points) {
    if (amount === null || !Number.isFinite(amount)) {
      open = false;
      continue;
    }
    const [left, top] = [x(at), y(amount)].map((each) => each.toFixed(2)) as [string, string];
    if (!open) path += `M${left} ${top}`;
    else path += stepped ? `L${left} ${y(before).toFixed(2)}L${left} ${top}` : `L${left} ${top}`;
    open = true;
    before = amount;
  }
  return path;
}

export function PaperDrawing({ drawing }: { readonly drawing: Drawing }) {
  const { lines, x, y, places = [], levels = [], stepped = false, question } = drawing;
  const heights = lines.flatMap(({ points }) => points.flatMap(([, amount]) => amount ?? []));
  const seen = [...heights, ...levels.map(({ at }) => at)].filter((each) => y.scale === 'linear' || each > 0);
  if (seen.length === 0) return null;
  const [least, most] = [Math.min(...seen), Math.max(...seen)];
  const across = scaleOf(x.scale, x.from, x.to, PAD.left, WIDTH - PAD.right, x.parts);
  const bottom = y.scale === 'log' ? least : Math.min(0, least);
  const up = scaleOf(y.scale, bottom, most > bottom ? most * 1.04 : bottom + 1, HEIGHT - PAD.bottom, PAD.top);
  const floor = HEIGHT - PAD.bottom;
  return (
    <View wrap={false} style={{ marginTop: 8 }}>
      <Text style={STYLES.strong}>{question}</Text>
      <Text style={{ fontSize: 7, color: '#55635C' }}>{y.title}</Text>
      <View style={{ width: WIDTH, height: HEIGHT }}>
        <Svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
          {up.ticks.map((each) => (
            <Line
              key={each}
              x1={PAD.left}
              x2={WIDTH - PAD.right}
              y1={up.place(each)}
              y2={up.place(each)}
              stroke="#D9E0DA"
              strokeWidth={0.5}
            />
          ))}
          <Line
            x1={PAD.left}
            x2={WIDTH - PAD.right}
            y1={floor}
            y2={floor}
            stroke="#17211D"
            strokeWidth={0.75}
          />
          {places.map(({ at, label }, index) => (
            <Line
              key={`${index}${label}`}
              x1={across.place(at)}
              x2={across.place(at)}
              y1={PAD.top}
              y2={floor}
              stroke="#55635C"
              strokeWidth={0.5}
              strokeDasharray="2 2"
            />
          ))}
          {levels.map(({ at, label }, index) => (
            <Line
              key={`${index}${label}`}
              x1={PAD.left}
              x2={WIDTH - PAD.right}
              y1={up.place(at)}
              y2={up.place(at)}
              stroke="#8A3B12"
              strokeWidth={0.75}
              strokeDasharray="6 4"
            />
          ))}
          {lines.map(({ name, points, edgeOf }, at) => (
            <Path
              key={`${at}${name}`}
              d={strokesOf(points, across.place, up.place, stepped)}
              fill="none"
              stroke={INKS[(edgeOf ?? at) % INKS.length]}
              strokeWidth={edgeOf === undefined ? 1.2 : 0.5}
              {...(DASHES[at % DASHES.length] && edgeOf === undefined
                ? { strokeDasharray: DASHES[at % DASHES.length] }
                : {})}
            />
          ))}
          {lines.flatMap(({ points }, at) =>
            points.length === 1 && points[0]![1] !== null
              ? [
                  <Circle
                    key={at}
                    cx={across.place(points[0]![0])}
                    cy={up.place(points[0]![1])}
                    r={2}
                    fill={INKS[at % INKS.length]!}
                  />,
                ]
              : [],
          )}
        </Svg>
        {up.ticks.map((each) => (
          <Text
            key={each}
            style={[LOOK.word, { left: 0, width: PAD.left - 4, top: up.place(each) - 4, textAlign: 'right' }]}
          >
            {tick(each)}
          </Text>
        ))}
        {across.ticks.map((each) => (
          <Text
            key={each}
            style={[
              LOOK.word,
              { left: across.place(each) - 25, width: 50, top: floor + 3, textAlign: 'center' },
            ]}
          >
            {tick(each)}
          </Text>
        ))}
        {places.map(({ at, label, low }, index) => (
          <Text
            key={`${index}${label}`}
            style={[LOOK.word, { left: across.place(at) + 2, top: low ? floor - 9 : 3 }]}
          >
            {label}
          </Text>
        ))}
        {levels.map(({ at, label }, index) => (
          <Text key={`${index}${label}`} style={[LOOK.word, { left: PAD.left + 2, top: up.place(at) - 8 }]}>
            {label}
          </Text>
        ))}
      </View>
      <Text style={{ fontSize: 7, color: '#55635C', textAlign: 'center', width: WIDTH }}>{x.title}</Text>
      {lines.length > 1 && (
        <View style={LOOK.legend}>
          {lines.flatMap(({ name, edgeOf }, at) =>
            edgeOf === undefined
              ? [
                  <View key={`${at}${name}`} style={LOOK.key}>
                    <Svg width={20} height={4}>
                      <Line
                        x1={0}
                        x2={20}
                        y1={2}
                        y2={2}
                        stroke={INKS[at % INKS.length]!}
                        strokeWidth={1.4}
                        {...(DASHES[at % DASHES.length]
                          ? { strokeDasharray: DASHES[at % DASHES.length] }
                          : {})}
                      />
                    </Svg>
                    <Text style={LOOK.keyText}>{name}</Text>
                  </View>,
                ]
              : [],
          )}
        </View>
      )}
    </View>
  );
}
