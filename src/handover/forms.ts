/** The forms of a report, by their names: apart from the writers, whose libraries are large. */
export const HANDOVER_FORMS = ['xlsx', 'pdf', 'md', 'json'] as const;
export type HandoverForm = (typeof HANDOVER_FORMS)[number];
