/** Text pasted onto the page, except where somebody is typing. */
'use client';
import { useEffect, useState } from 'react';

export function usePaste(listening: boolean): readonly [string | null, () => void] {
  const [text, setText] = useState<string | null>(null);
  useEffect(() => {
    if (!listening) return;
    const onPaste = (event: ClipboardEvent): void => {
      const { target } = event;
      const typing = target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
      const pasted = event.clipboardData?.getData('text/plain') ?? '';
      if (typing || pasted.trim() === '') return;
      event.preventDefault();
      setText(pasted);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [listening]);
  return [text, () => setText(null)];
}
