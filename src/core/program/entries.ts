/** Entries of a component by the names that traces mark them with: reading one, and putting another value in its place. */
import type { Component } from '../design';
import type { Cased, Load, Running } from '../usage';

/**
 * The component with another value of one entry, in every case; null: it has no such entry.
 *
 * @example
 * withEntry(server, 'count', '3')?.count.likely; // => '3'
 */
export function withEntry(component: Component, entry: string, value: string): Component | null {
  const cased: Cased = { likely: value };
  const [group, field = ''] = entry.split('/');
  switch (group) {
    case 'count':
      return { ...component, count: cased };
    case 'usage': {
      const known = component.usage[field];
      if (!known || known.sizes) return null;
      return { ...component, usage: { ...component.usage, [field]: { ...known, amount: cased } } };
    }
    case 'running': {
      if (!(field in component.running)) return null;
      return { ...component, running: { ...component.running, [field]: cased } as Running };
    }
    case 'size': {
      if (!component.size || !(field in component.size)) return null;
      return { ...component, size: { ...component.size, [field]: cased } };
    }
    case 'each': {
      const known = component.usage[field];
      if (!known?.each) return null;
      const each = { ...known.each, amount: cased };
      return { ...component, usage: { ...component.usage, [field]: { ...known, each } } };
    }
    case 'setAside': {
      const known = component.usage[field];
      if (!known?.setAside || known.sizes) return null;
      return { ...component, usage: { ...component.usage, [field]: { ...known, setAside: cased } } };
    }
    case 'kept': {
      const known = component.usage[field];
      if (!known?.keptDays) return null;
      return { ...component, usage: { ...component.usage, [field]: { ...known, keptDays: cased } } };
    }
    case 'load':
      return component.load ? withLoad(component, component.load, field, cased) : null;
    case 'committed':
      return component.committed ? { ...component, committed: cased } : null;
    case 'allocated':
      return component.allocated ? { ...component, allocated: cased } : null;
    default:
      return null;
  }
}

function withLoad(component: Component, load: Load, field: string, value: Cased): Component | null {
  if (field === 'requestSize' || field === 'replySize') {
    const size = load[field];
    return size ? { ...component, load: { ...load, [field]: { ...size, amount: value } } } : null;
  }
  if (field === 'secondsEach')
    return load.secondsEach ? { ...component, load: { ...load, secondsEach: value } } : null;
  if (!(field in load.rate)) return null;
  return { ...component, load: { ...load, rate: { ...load.rate, [field]: value } as Load['rate'] } };
}
