/** Times for people, in the reader's zone. */
const DAY = 86_400_000;

/** "today 09:41", "yesterday 17:05", "2026-11-02". */
export function writeWhen(iso: string, now: Date = new Date()): string {
  const at = new Date(iso);
  const clock = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const days = Math.round((startOfDay(now) - startOfDay(at)) / DAY);
  if (days === 0) return `today ${clock}`;
  if (days === 1) return `yesterday ${clock}`;
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

function startOfDay(date: Date): number {
  return new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime();
}

/** The ISO date so many days later: how long quotations and links usually hold. */
export function daysAfter(date: string, days = 30): string {
  return new Date(Date.parse(date) + days * 86_400_000).toISOString().slice(0, 10);
}
