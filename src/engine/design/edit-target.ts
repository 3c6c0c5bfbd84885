/** Whether two edits touch the same thing. */
import { assertNever } from '../base';
import type { Edit } from './edit';

/**
 * What an edit touches, as a key: equal keys mean that the later edit overwrites the earlier.
 *
 * @example
 * editTarget({ edit: 'set-design', field: 'title', value: 'Ferry' }); // => 'design/title'
 */
export function editTarget(edit: Edit): string {
  switch (edit.edit) {
    case 'set-design':
    case 'set-assumption':
      return `design/${edit.field}`;
    case 'set-agreements':
      return 'design/agreements';
    case 'answer-check':
      return `check/${edit.check}/${edit.subject}`;
    case 'pin-books':
      return 'design/books';
    case 'set-component':
      return `component/${edit.id}/${edit.field}`;
    case 'set-usage':
      return `component/${edit.id}/usage/${edit.meter}`;
    case 'rename-section':
      return `section/${edit.id}/name`;
    case 'place-new-lines':
      return edit.section === null ? 'design/place' : `section/${edit.section}/place`;
    case 'add-section':
      return `section/${edit.section.id}`;
    case 'remove-section':
      return `section/${edit.id}`;
    case 'add-component':
      return `component/${edit.component.id}`;
    case 'remove-component':
      return `component/${edit.id}`;
    case 'move-component':
      return `component/${edit.id}/position`;
    case 'put-alternative':
      return `alternative/${edit.alternative.id}`;
    case 'remove-alternative':
      return `alternative/${edit.id}`;
    default:
      return assertNever(edit);
  }
}
