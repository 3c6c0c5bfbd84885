/** What pipelines ask and are told, as OpenAPI 3.1: made from the very schemas that check it. */
import { z } from 'zod';
import { MOST_SENT_BYTES, PHASES, sentReviewSchema } from './sent-review';

const money = z.string().describe('An amount of money a month, as plain decimal text');

const telling = z.strictObject({
  id: z.uuid(),
  repository: z.string(),
  change: z.string(),
  commit: z.string(),
  phase: z.enum(PHASES),
  summary: z
    .strictObject({
      currency: z.string(),
      before: money,
      after: money,
      difference: money,
      upfront: money,
      limits: z.enum(['kept', 'warned', 'failed']),
      broken: z.array(z.string()).readonly(),
      resources: z.int(),
      changed: z.int(),
      doubts: z.int().describe('How many resources have no amount, or no certain one'),
    })
    .nullable()
    .describe('Null while it is being worked out'),
  books: z.array(z.strictObject({ book: z.string(), revision: z.int() })).describe('What it was priced with'),
  self: z.url(),
  page: z.url().describe('For people'),
});

export type ReviewTelling = z.infer<typeof telling>;

const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  instance: z.string(),
  faults: z
    .array(
      z.object({
        path: z.string(),
        message: z.string(),
        line: z.int().optional(),
        column: z.int().optional(),
      }),
    )
    .optional(),
  more: z.int().optional().describe('How many faults there are beyond those that are listed'),
});

const answer = (description: string, schema: string, type = 'application/json') => ({
  description,
  content: { [type]: { schema: { $ref: `#/components/schemas/${schema}` } } },
});
const refusal = (description: string) => answer(description, 'Problem', 'application/problem+json');

const REFUSALS = {
  401: refusal('The token is not known, or was withdrawn'),
  404: refusal('There is no such review in this workspace'),
  413: refusal(`More than ${MOST_SENT_BYTES} bytes`),
  415: refusal('No JSON'),
  422: refusal('Faulty, with every fault by its path; nothing was kept'),
  429: refusal('Too many requests; Retry-After says when'),
  503: refusal('Not available at the moment; nothing was kept'),
};

function refusals(...codes: (keyof typeof REFUSALS)[]): object {
  return Object.fromEntries(codes.map((each) => [each, REFUSALS[each]]));
}

/** The whole description. */
export function openApi(): object {
  const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): object => {
    const { $schema: _, ...rest } = z.toJSONSchema(schema, { io, reused: 'inline' });
    return rest;
  };
  return {
    openapi: '3.1.0',
    info: {
      title: 'Wick Tally: change reviews',
      version: '1.0.0',
      description:
        'Hands in what an infrastructure change costs. The extract of a plan is sent, never the plan: what a resource map reads, and nothing that is marked as sensitive.',
    },
    paths: {
      '/api/v1/reviews': {
        post: {
          operationId: 'handInReview',
          summary: 'Hand in a review. The same repository, change and commit again is the same review.',
          security: [{ pipeline: [] }],
          requestBody: {
            required: true,
            content: { 'application/json': { schema: { $ref: '#/components/schemas/SentReview' } } },
          },
          responses: {
            200: answer('Known already; brought up to date', 'Review'),
            201: answer('New', 'Review'),
            202: answer('Kept, and still being worked out', 'Review'),
            ...refusals(401, 413, 415, 422, 429, 503),
          },
        },
      },
      '/api/v1/reviews/{id}': {
        get: {
          operationId: 'readReview',
          summary: 'How a review stands',
          security: [{ pipeline: [] }],
          parameters: [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }],
          responses: { 200: answer('As it stands', 'Review'), ...refusals(401, 404, 429, 503) },
        },
      },
    },
    components: {
      securitySchemes: { pipeline: { type: 'http', scheme: 'bearer' } },
      schemas: {
        SentReview: schemaOf(sentReviewSchema, 'input'),
        Review: schemaOf(telling, 'output'),
        Problem: schemaOf(problem, 'output'),
      },
    },
  };
}
