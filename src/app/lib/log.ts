/**
 * What happened, a line of JSON each: a request that was refused, with why; a fault of ours, with its cause. Never what
 * was sent, never the key of a link. To the file that `WICK_LOG` names, else to standard error.
 */
import pino from 'pino';

const file = process.env.WICK_LOG;

const lines = pino(
  { base: null, timestamp: pino.stdTimeFunctions.isoTime, formatters: { level: (level) => ({ level }) } },
  pino.destination({ dest: file && file !== '' ? file : 2, mkdir: true, sync: true }),
);

/** A log that cannot be written, on a full disk say, is no reason to answer differently. */
function safely(level: 'info' | 'error'): (what: object, text: string) => void {
  return (what, text) => {
    try {
      lines[level](what, text);
    } catch {
      // There is nowhere left to say it.
    }
  };
}

export const log = { info: safely('info'), error: safely('error') };

/** The path without what follows it, and without the key of a linked report. */
export function pathOf(url: string): string {
  const path = url.replace(/^[a-z]+:\/\/[^/]*/i, '').replace(/[?#].*$/s, '');
  return path.replace(/^((?:\/api)?\/shared\/)[^/]+/, '$1…').slice(0, 200);
}
