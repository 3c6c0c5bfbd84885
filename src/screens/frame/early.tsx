/**
 * What somebody does on a page that is shown but not yet awake. The browser paints what the server sent a moment before
 * the page's scripts answer, on a slow machine seconds before; a choice made in between would stay on the screen and do
 * nothing. So presses are noted from the first byte on, and are done, with what was chosen and typed, once the page is
 * awake. Links need none of this: they work without scripts.
 */
'use client';
import { useEffect } from 'react';

type Noted = [target: Element, event: MouseEvent][];

declare global {
  interface Window {
    /** Presses before the page is awake, oldest first; gone afterwards. */
    early?: Noted;
    earlyNote?: (event: Event) => void;
  }
}

const PRESSES = ['pointerdown', 'pointerup', 'click'] as const;

/** Runs before everything else of the page; text, because it has to be there before any file is. */
export const NOTE_EARLY = `(function () {
  var noted = (window.early = []);
  window.earlyNote = function (event) {
    // From here on React hears presses itself, also of what it has not woken yet.
    if (Object.keys(document).some(function (key) { return key.indexOf('_reactListening') === 0; })) return;
    var button = event.target.closest && event.target.closest('button, [role="button"]');
    if (button) noted.push([button, event]);
  };
  ${JSON.stringify(PRESSES)}.forEach(function (type) { addEventListener(type, window.earlyNote, true); });
})();`;

/** Stands last in the frame: does what was done too early. */
export function Early() {
  useEffect(() => {
    const noted = window.early ?? [];
    for (const type of PRESSES) if (window.earlyNote) removeEventListener(type, window.earlyNote, true);
    delete window.early;
    delete window.earlyNote;
    document.querySelectorAll('select').forEach(chooseAgain);
    document.querySelectorAll('input').forEach(enterAgain);
    document.querySelectorAll('textarea').forEach(typeAgain);
    for (const [target, event] of noted)
      if (target.isConnected)
        target.dispatchEvent(
          event instanceof PointerEvent
            ? new PointerEvent(event.type, event)
            : new MouseEvent(event.type, event),
        );
  }, []);
  return null;
}

function chooseAgain(select: HTMLSelectElement): void {
  const sent = [...select.options].findIndex((option) => option.defaultSelected);
  if (select.selectedIndex !== Math.max(0, sent)) tell(select, 'change');
}

function enterAgain(input: HTMLInputElement): void {
  if (input.type === 'file') return;
  if (input.type !== 'checkbox' && input.type !== 'radio') return typeAgain(input);
  if (input.checked === input.defaultChecked) return;
  input.checked = input.defaultChecked;
  input.click();
}

/** As if typed now: the value goes back to what the page knows, and then, past its notice, to what stands there. */
function typeAgain(field: HTMLInputElement | HTMLTextAreaElement): void {
  const typed = field.value;
  if (typed === field.defaultValue) return;
  field.value = field.defaultValue;
  const prototype =
    field instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype;
  Object.getOwnPropertyDescriptor(prototype, 'value')!.set!.call(field, typed);
  tell(field, 'input');
  if (field instanceof HTMLInputElement && field.type === 'date') tell(field, 'change');
}

function tell(element: Element, type: string): void {
  element.dispatchEvent(new Event(type, { bubbles: true }));
}
