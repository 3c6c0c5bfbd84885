/** A review as test results, the form that every pipeline shows: a case for each limit, and one for what is not known. */
import { brokenSentence, doubtSentences, reviewSentence, ruleWords } from '@/features/review/words';
import type { Limits, LimitsAnswer, Review } from '@/features/review/calc';

export function reviewJunit(review: Review, limits: Limits, answer: LimitsAnswer): string {
  const cases = limits.limits.map(({ id, rule }) => {
    const broken = answer.broken.find(({ limit }) => limit.id === id);
    const excepted = answer.excepted.find(({ limit }) => limit === id);
    const name = `${id}: ${ruleWords(rule, review.currency)}`;
    if (broken?.limit.level === 'fail')
      return caseOf(name, `<failure message="${xml(brokenSentence(broken, review.currency))}"/>`);
    if (broken)
      return caseOf(name, `<system-out>${xml(brokenSentence(broken, review.currency))}</system-out>`);
    if (excepted && !answer.kept.includes(id))
      return caseOf(
        name,
        `<skipped message="${xml(`By exception until ${excepted.exception.until}: ${excepted.exception.reason}`)}"/>`,
      );
    if (answer.unchecked.includes(id))
      return caseOf(name, '<skipped message="It is not known which design with a budget this comes from."/>');
    return caseOf(name, '');
  });
  const doubts = doubtSentences(review);
  const known = caseOf(
    'everything is known and priced',
    doubts.length === 0 ? '' : `<system-out>${xml(doubts.join(' '))}</system-out>`,
  );
  const all = [caseOf(reviewSentence(review), ''), ...cases, known];
  const failures = answer.broken.filter(({ limit }) => limit.level === 'fail').length;
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<testsuites tests="${all.length}" failures="${failures}">`,
    `  <testsuite name="What the change costs" tests="${all.length}" failures="${failures}">`,
    ...all,
    '  </testsuite>',
    '</testsuites>',
    '',
  ].join('\n');
}

function caseOf(name: string, inside: string): string {
  const head = `    <testcase classname="change review" name="${xml(name)}"`;
  return inside === '' ? `${head}/>` : `${head}>${inside}</testcase>`;
}

/** Control characters have no place in XML. */
function xml(text: string): string {
  return text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');
}
