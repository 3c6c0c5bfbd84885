/** Keeps a component among the starred ones, to be written again in any design. */
'use client';
import { Star } from 'lucide-react';
import type { Component } from '@/engine/design';
import { Button } from '@/platform/ui/button';
import { tell } from '@/platform/ui/toast';
import { postJson } from '@/platform/screen/call-api';

export function StarButton({ component }: { readonly component: Component }) {
  const star = (): void => {
    postJson('/api/library', { what: 'component', name: component.name, body: component }).then(
      () => tell(`“${component.name}” is starred; it is at the top of the list for the next line.`),
      (error: unknown) => tell(error instanceof Error ? error.message : 'It could not be kept. Try again.'),
    );
  };
  return (
    <Button tone="bare" className="mt-1 -ml-2.5" onClick={star}>
      <Star size={14} aria-hidden="true" />
      Star
    </Button>
  );
}
