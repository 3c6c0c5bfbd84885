/** Buttons: quiet by default; one strong one in a place at the most. */
import type { ButtonHTMLAttributes } from 'react';

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly tone?: 'quiet' | 'strong' | 'bare';
}

const TONES = {
  quiet: 'border border-edge bg-surface text-ink hover:bg-wash',
  strong: 'border border-brand bg-brand text-on-brand hover:opacity-90',
  bare: 'border border-transparent text-brand hover:bg-wash',
} as const;

export function Button({ tone = 'quiet', className = '', type = 'button', ...rest }: ButtonProps) {
  return (
    <button
      type={type}
      className={`inline-flex h-7 items-center justify-center gap-1.5 rounded px-2.5 text-sm font-medium whitespace-nowrap disabled:opacity-50 ${TONES[tone]} ${className}`}
      {...rest}
    />
  );
}
