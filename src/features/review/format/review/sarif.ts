/** A review in SARIF 2.1.0, the open form for findings: broken limits, and what has no certain amount, at its resource. */
import { brokenSentence, doubtWords, lineDoubt, ruleWords } from '@/features/review/words';
import type { Doubt, Limits, LimitsAnswer, Review } from '@/features/review/calc';

interface Finding {
  readonly ruleId: string;
  readonly level: 'error' | 'warning' | 'note';
  readonly text: string;
  readonly addresses: readonly string[];
}

export function reviewSarif(review: Review, limits: Limits, answer: LimitsAnswer, plan: string): string {
  const { currency } = review;
  const broken = answer.broken.map((each): Finding => ({
    ruleId: `limit/${each.limit.id}`,
    level: each.limit.level === 'fail' ? 'error' : 'warning',
    text: brokenSentence(each, currency),
    addresses: each.addresses,
  }));
  const doubts = review.rows.flatMap(({ address, type, doubts: own, lines }): Finding[] =>
    own.map((doubt) => ({
      ruleId: `doubt/${doubt}`,
      level: 'note',
      text:
        doubt === 'no-rule'
          ? `The resource map has no rule for “${type}”.`
          : lines
              .flatMap((line) => (line.doubts.includes(doubt) ? [lineDoubt(line, currency)] : []))
              .join(' ') || doubtWords(doubt),
      addresses: [address],
    })),
  );
  const findings = [...broken, ...doubts];
  const used = new Set(findings.map(({ ruleId }) => ruleId));
  const rules = [
    ...limits.limits.map(({ id, rule }) => ({ id: `limit/${id}`, text: ruleWords(rule, currency) })),
    ...(Object.keys(review.doubts) as Doubt[]).map((doubt) => ({
      id: `doubt/${doubt}`,
      text: doubtWords(doubt),
    })),
  ].filter(({ id }) => used.has(id));
  const log = {
    $schema: 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'Wick Tally',
            rules: rules.map(({ id, text }) => ({ id, shortDescription: { text } })),
          },
        },
        results: findings.map(({ ruleId, level, text, addresses }) => ({
          ruleId,
          level,
          message: { text },
          locations: [
            {
              physicalLocation: { artifactLocation: { uri: encodeURI(plan) } },
              logicalLocations: addresses.map((each) => ({ fullyQualifiedName: each, kind: 'resource' })),
            },
          ],
        })),
      },
    ],
  };
  return `${JSON.stringify(log, null, 2)}\n`;
}
