/** What fields were called before, so that files, edits and what browsers kept from then are still read. */

const EARLIER: Readonly<Record<string, string>> = { borne: 'allocated' };

/** A component as files write it; new names stay as they are. */
function componentToday(value: unknown): unknown {
  if (!isObject(value) || typeof value.kind !== 'string') return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [EARLIER[key] ?? key, each]));
}

function sectionToday(value: unknown): unknown {
  if (!isObject(value) || !Array.isArray(value.components)) return value;
  return { ...value, components: value.components.map(componentToday) };
}

/** A design file of any time under today's names; anything else as it is. */
export function designFileToday(value: unknown): unknown {
  if (!isObject(value) || !isObject(value.design) || !Array.isArray(value.design.sections)) return value;
  return { ...value, design: { ...value.design, sections: value.design.sections.map(sectionToday) } };
}

/** A batch of edits of any time under today's names. */
export function editsToday(value: unknown): unknown {
  if (!isObject(value) || !Array.isArray(value.edits)) return value;
  return { ...value, edits: value.edits.map(editToday) };
}

function editToday(value: unknown): unknown {
  if (!isObject(value)) return value;
  switch (value.edit) {
    case 'set-component':
      return { ...value, field: EARLIER[String(value.field)] ?? value.field };
    case 'add-component':
      return { ...value, component: componentToday(value.component) };
    case 'add-section':
      return { ...value, section: sectionToday(value.section) };
    default:
      return value;
  }
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
