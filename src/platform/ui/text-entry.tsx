/**
 * An input that is checked as it is typed: each keystroke is shown to `preview`, Enter or leaving commits, Esc takes
 * back. A value that is refused is never committed and says why.
 */
'use client';
import { useRef, useState } from 'react';
import { Field } from './field';

export interface TextEntryProps {
  readonly label: string;
  readonly text: string;
  readonly placeholder?: string;
  readonly hint?: string;
  readonly maxLength?: number;
  /** A sentence if the text is refused, else null. Also shows the change. */
  readonly preview: (text: string) => string | null;
  readonly commit: (text: string) => void;
  readonly cancel: () => void;
}

export function TextEntry({
  label,
  text,
  placeholder,
  hint,
  maxLength = 400,
  preview,
  commit,
  cancel,
}: TextEntryProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const dirty = useRef(false);

  const end = (): void => {
    dirty.current = false;
    setTyped(null);
    setFault(null);
  };
  const finish = (): void => {
    if (!dirty.current || typed === null) return;
    const refused = preview(typed);
    if (refused) setFault(refused);
    else {
      commit(typed);
      end();
    }
  };
  const takeBack = (): void => {
    if (dirty.current) cancel();
    end();
  };
  return (
    <Field label={label} fault={fault} hint={hint}>
      {(props) => (
        <input
          {...props}
          value={typed ?? text}
          placeholder={placeholder}
          maxLength={maxLength}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => {
            dirty.current = true;
            setTyped(event.target.value);
            setFault(preview(event.target.value));
          }}
          onBlur={() => (fault ? takeBack() : finish())}
          onKeyDown={(event) => {
            if (event.key === 'Enter') finish();
            if (event.key === 'Escape') takeBack();
            if (event.key === 'Enter' || event.key === 'Escape') event.stopPropagation();
          }}
        />
      )}
    </Field>
  );
}
