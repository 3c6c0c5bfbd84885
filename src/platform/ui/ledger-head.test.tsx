import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { LedgerHead } from './ledger-head';

afterEach(cleanup);

const COLUMNS = [
  { key: 'name', head: 'Name', title: 'Name', track: 'minmax(170px,2fr)', cell: () => null },
  { key: 'count', head: 'Count', track: '64px', cell: () => null },
];

function show(widths = {}) {
  const drawn: [string, number | null][] = [];
  render(
    <LedgerHead
      columns={COLUMNS}
      tracks="1fr 64px"
      widths={widths}
      onWidth={(key, width) => void drawn.push([key, width])}
    />,
  );
  return { drawn, edge: screen.getByRole('separator', { name: 'Width of Name' }) };
}

describe('the edge of a column', () => {
  it('says how wide it is, within which bounds, and whether somebody drew it so', () => {
    const { edge } = show();
    expect(edge.getAttribute('aria-valuenow')).toBe('170');
    expect(edge.getAttribute('aria-valuetext')).toBe('its own width');
    expect(screen.getAllByRole('separator')).toHaveLength(1);
    cleanup();
    expect(show({ name: 240 }).edge.getAttribute('aria-valuetext')).toBe('240 pixels');
  });

  it('is moved by keys, and given back its own width by Escape or two presses', () => {
    const { drawn, edge } = show();
    for (const key of ['ArrowRight', 'ArrowLeft', 'Escape', 'Tab']) fireEvent.keyDown(edge, { key });
    fireEvent.doubleClick(edge);
    // Nothing is laid out here: it begins at no width, and never gets narrower than the narrowest.
    expect(drawn).toEqual([
      ['name', 48],
      ['name', 48],
      ['name', null],
      ['name', null],
    ]);
  });

  it('follows the mouse while it is held', () => {
    const { drawn, edge } = show();
    Object.assign(edge, { setPointerCapture: () => undefined });
    fireEvent.pointerMove(edge, { clientX: 300, pointerId: 1 });
    fireEvent.pointerDown(edge, { clientX: 100, pointerId: 1 });
    fireEvent.pointerMove(edge, { clientX: 220, pointerId: 1 });
    fireEvent.pointerUp(edge, { pointerId: 1 });
    fireEvent.pointerMove(edge, { clientX: 400, pointerId: 1 });
    expect(drawn).toHaveLength(1);
    expect(drawn[0]![0]).toBe('name');
  });
});
