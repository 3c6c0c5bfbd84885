/** Keys that hold on the whole page, except where somebody is typing. */
'use client';
import { useEffect, useEffectEvent } from 'react';

export function usePageKeys(step: (which: 'undo' | 'redo') => void, showKeys: () => void): void {
  const onKeyDown = useEffectEvent((event: globalThis.KeyboardEvent): void => {
    const typing =
      event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
    if (typing) return;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      step(event.shiftKey ? 'redo' : 'undo');
    } else if (event.key === '?') {
      event.preventDefault();
      showKeys();
    }
  });
  useEffect(() => {
    const listen = (event: globalThis.KeyboardEvent): void => onKeyDown(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
