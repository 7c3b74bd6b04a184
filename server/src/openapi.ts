import type { FastifyDynamicSwaggerOptions } from '@fastify/swagger';
import { errorBody } from '@morning-crock/core/contract';
import type { FastifySchema } from 'fastify';
import { jsonSchemaTransform } from 'fastify-type-provider-zod';
import * as z from 'zod';
import { PLAIN_COOKIE } from './features/access/access-plugin.ts';
import { ROUTE_FACTS } from './route-facts.ts';

/** How a device shows that it belongs to the kitchen. */
const TABLET = 'tablet';

type Transform = NonNullable<FastifyDynamicSwaggerOptions['transform']>;

/** What every route says of itself: its name, what it is for, who may ask, and how it tells what is wrong. */
const described: Transform = (given) => {
  const transformed = jsonSchemaTransform(given);
  const { url } = transformed;
  // A route without a schema has none to be transformed.
  const schema = transformed.schema as FastifySchema | undefined;
  const { method } = given.route;
  const facts = ROUTE_FACTS[`${String(method)} ${given.url}`];
  if (!facts || schema?.hide === true) return transformed;
  const { id, tag, summary, open, answers } = facts;
  const response = (schema?.response ?? {}) as Record<string, unknown>;
  return {
    url,
    schema: {
      ...schema,
      operationId: id,
      tags: [tag],
      summary,
      security: open ? [] : [{ [TABLET]: [] }, {}],
      response: {
        ...(answers
          ? { 200: { description: answers.what, content: { [answers.type]: { schema: {} } } } }
          : {}),
        ...response,
        '4xx': { description: 'What is wrong, where, and what to do next', ...ERROR },
        '5xx': { description: 'The server or its database cannot answer now', ...ERROR },
      },
    },
  };
};
const ERROR = { type: 'object', $ref: '#/components/schemas/Error' } as const;

/** The OpenAPI document of the HTTP interface, from the schemas of its routes. */
export const OPENAPI: FastifyDynamicSwaggerOptions = {
  openapi: {
    openapi: '3.1.0',
    info: {
      title: 'Morning Crock',
      version: '1',
      description:
        'The HTTP interface of one kitchen. Loggers post to /api/makes/{id}/readings. The pages themselves use everything else.',
      license: { name: 'Unlicensed, all rights reserved', identifier: 'LicenseRef-Unlicensed' },
    },
    servers: [{ url: '/', description: 'The kitchen’s own server' }],
    tags: [...new Set(Object.values(ROUTE_FACTS).map(({ tag }) => tag))].map((name) => ({
      name,
      description: `${name} of the kitchen`,
    })),
    components: {
      securitySchemes: {
        [TABLET]: {
          type: 'apiKey',
          in: 'cookie',
          name: PLAIN_COOKIE,
          description:
            'Given by POST /api/join to a device on the local network, called __Host-mc_tablet at the secure address. This computer needs none.',
        },
      },
      schemas: {
        Error: z.toJSONSchema(errorBody, { io: 'output' }) as Record<string, unknown>,
      },
    },
  },
  transform: described,
};
