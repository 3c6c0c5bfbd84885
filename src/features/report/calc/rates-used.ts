/** The prices that went into the amounts, each once, as the traces name them. */
import type { PricedDesign } from '@/engine/pricing';
import type { Figure } from '@/engine/trace';
import type { ReportRate } from './model';

export function ratesUsed({ sections }: PricedDesign): ReportRate[] {
  const found = new Map<string, ReportRate>();
  const seen = new Set<readonly Figure[]>();
  const visit = (figure: Figure): void => {
    if (figure.operation === 'rate' && figure.source) {
      const { book, revision, effective, sku, region } = figure.source;
      const { label, unit } = figure;
      const price = figure.value.toString();
      const rate = { book, revision, effective, sku, region, label, price, unit };
      found.set(Object.values(rate).join('\n'), rate);
    }
    // Members of a pool share its steps.
    if (figure.parts.length === 0 || seen.has(figure.parts)) return;
    seen.add(figure.parts);
    figure.parts.forEach(visit);
  };
  for (const section of sections) {
    for (const line of section.lines) if (line.status === 'priced') visit(line.monthly);
  }
  return [...found.entries()].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, rate]) => rate);
}
