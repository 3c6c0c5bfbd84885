/** What a wide change, or a question, reaches. */
export type Scope =
  | { readonly of: 'all' }
  | { readonly of: 'section'; readonly id: string }
  | { readonly of: 'lines'; readonly ids: readonly string[] };
