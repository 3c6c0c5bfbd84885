/** A cell of a CSV file: text that a spreadsheet would take for a formula is defused; an amount may begin with a minus. */
export const defused = (value: string): string | { value: string; escape_formulas: true } =>
  value === '' || BEGINS_PLAINLY.test(value) || AMOUNT.test(value) ? value : { value, escape_formulas: true };

/** No formula begins with a letter or a digit; to ask of each cell is what takes the time. */
const BEGINS_PLAINLY = /^[\p{L}\p{N}]/u;
const AMOUNT = /^-?\d+(\.\d+)?$/;
