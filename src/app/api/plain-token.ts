/** A token as pages see it: without what opens anything. */
import type { PipelineToken } from '@/features/review/use/review-ports';

export const plainToken = ({ id, name, createdBy, createdAt, lastUsedAt, withdrawnAt }: PipelineToken) => ({
  ...{ id, name, createdBy, createdAt, lastUsedAt, withdrawnAt },
});
