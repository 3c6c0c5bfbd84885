/**
 * What somebody does on a page that is shown but not yet awake. The browser paints what the server sent a moment before
 * the page's scripts answer, on a slow machine seconds before; a choice made in between would stay on the screen and do
 * nothing. So what is pressed, chosen and typed is noted from the first byte on, and done once the page is awake.
 * Links need none of this: they work without scripts.
 *
 * React would wake a page at the first event that it hears, and in doing so put a field back under the hands of who is
 * choosing. So nothing of this gets as far as React before the page is awake.
 */
'use client';
import { useEffect } from 'react';

interface Noted {
  readonly target: Element;
  readonly event: Event;
  /** What a field said then; of a tick, whether it was set. */
  readonly said: string | boolean | null;
}

declare global {
  interface Window {
    /** Until the page is awake; oldest first. */
    early?: { noted: Noted[]; hear: (event: Event) => void };
  }
}

const HEARD = ['pointerdown', 'pointerup', 'click', 'input', 'change', 'submit'];

/** Runs before everything else of the page; text, because it has to be there before any file is. */
export const NOTE_EARLY = `(function () {
  var early = (window.early = { noted: [] });
  early.hear = function (event) {
    if (event.type === 'submit') return event.preventDefault();
    var target = event.target.closest && event.target.closest('button, [role="button"], input, select, textarea');
    if (!target || target.type === 'file') return;
    var isField = /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName);
    var isTick = target.type === 'checkbox' || target.type === 'radio';
    event.stopImmediatePropagation();
    // A button does what it does when it is pressed again, once.
    if (!isField && event.type === 'click') event.preventDefault();
    if (isField) {
      if (event.type !== 'input' && event.type !== 'change') return;
      // Of a field, what it said last.
      early.noted = early.noted.filter(function (each) { return each.target !== target; });
    }
    early.noted.push({ target: target, event: event, said: isTick ? target.checked : isField ? target.value : null });
  };
  ${JSON.stringify(HEARD)}.forEach(function (type) { addEventListener(type, early.hear, true); });
})();`;

/** Stands last in the frame: does what was done too early. */
export function Early() {
  useEffect(() => {
    const { early } = window;
    if (!early) return;
    for (const type of HEARD) removeEventListener(type, early.hear, true);
    delete window.early;
    for (const noted of early.noted) if (noted.target.isConnected) again(noted);
  }, []);
  return null;
}

function again({ target, event, said }: Noted): void {
  if (said === null)
    target.dispatchEvent(
      event instanceof PointerEvent ? new PointerEvent(event.type, event) : new MouseEvent(event.type, event),
    );
  else if (typeof said === 'boolean') tick(target as HTMLInputElement, said);
  else if (target instanceof HTMLSelectElement) choose(target, said);
  else type(target as HTMLInputElement | HTMLTextAreaElement, said);
}

function choose(select: HTMLSelectElement, value: string): void {
  select.value = value;
  tell(select, 'change');
}

/** A click is what React hears of a tick; it turns the tick over, so that it starts from the other side. */
function tick(input: HTMLInputElement, isSet: boolean): void {
  input.checked = input.type === 'radio' ? false : !isSet;
  input.click();
}

/** As if typed now: the value goes back to what the page knows, and then, past its notice, to what stood there. */
function type(field: HTMLInputElement | HTMLTextAreaElement, typed: string): void {
  field.value = field.defaultValue;
  set(field, typed);
  tell(field, 'input');
  if (field.type === 'date') tell(field, 'change');
}

function set(field: HTMLInputElement | HTMLTextAreaElement, value: string): void {
  const prototype =
    field instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype;
  Object.getOwnPropertyDescriptor(prototype, 'value')!.set!.call(field, value);
}

function tell(element: Element, type: string): void {
  element.dispatchEvent(new Event(type, { bubbles: true }));
}
