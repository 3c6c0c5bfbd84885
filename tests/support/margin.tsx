/** The settings of a component on screen, and what a person does with them. */
import { fireEvent, render, screen, within } from '@testing-library/react';
import { ComponentSettings } from '@/features/design/screen/margin/component-settings';
import type { SettingsProps } from '@/features/design/screen/margin/settings-props';
import { Decimal } from '@/engine/base';
import type { Component, Edit } from '@/engine/design';

/** Remembers what was applied, previewed and opened. */
export function showSettings(component: Component, part: Partial<SettingsProps> = {}) {
  const applied: Edit[][] = [];
  const previewed: Edit[][] = [];
  const opened: string[] = [];
  render(
    <ComponentSettings
      component={component}
      offerName="a-4"
      placeName="Small, Severn"
      monthHours={new Decimal(730)}
      lacks={[]}
      apply={(edits) => void applied.push([...edits])}
      preview={(edits) => void previewed.push([...edits])}
      open={(what) => void opened.push(what)}
      {...part}
    />,
  );
  return { applied, previewed, opened };
}

export function type(field: HTMLElement, text: string): void {
  fireEvent.change(field, { target: { value: text } });
}

export function enter(field: HTMLElement, text: string): void {
  type(field, text);
  fireEvent.keyDown(field, { key: 'Enter' });
}

export const box = (name: string | RegExp): HTMLElement => screen.getByRole('textbox', { name });
export const inGroup = (group: string | RegExp, name: string): HTMLElement =>
  within(screen.getByRole('group', { name: group })).getByRole('textbox', { name });
export const set = (field: string, value: unknown, id = 'a') => [{ edit: 'set-component', id, field, value }];
