import { ERROR_CODES, errorOf, type ErrorCode, type ErrorDetail } from '@morning-crock/core/contract';
import type { FastifyError } from 'fastify';
import fp from 'fastify-plugin';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';

/** An error that crosses the border: a code of the table, with details beside fields. */
export class AppError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly details: readonly ErrorDetail[] = [],
  ) {
    super(ERROR_CODES[code].message);
  }
}

const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'PROTOCOL_CONNECTION_LOST',
  'ETIMEDOUT',
  'ER_SERVER_SHUTDOWN',
  'EPIPE',
]);

function isAway(error: unknown): boolean {
  const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
  return AWAY.has(code);
}

const FULL = new Set(['ENOSPC', 'ER_RECORD_FILE_FULL', 'ER_DISK_FULL', 'EDQUOT']);

function isFull(error: unknown): boolean {
  const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
  return FULL.has(code);
}

interface Told {
  readonly code: ErrorCode;
  readonly details: readonly ErrorDetail[];
}

function toldOf(error: FastifyError | AppError): Told {
  if (error instanceof AppError) return error;
  if (hasZodFastifySchemaValidationErrors(error)) {
    const details = error.validation.map((issue) => ({
      path: issue.instancePath.replace(/^\//, '').replaceAll('/', '.'),
      message: issue.message ?? 'is not right',
    }));
    return { code: 'bad-input', details };
  }
  if (isFull(error)) return { code: 'disk-full', details: [] };
  if (isAway(error)) return { code: 'database-away', details: [] };
  if (error.statusCode === 413) return { code: 'too-large', details: [] };
  if (error.statusCode !== undefined && error.statusCode < 500) {
    return { code: 'bad-input', details: [{ path: '', message: error.message }] };
  }
  return { code: 'internal', details: [] };
}

/** Turns every error into a body of the table. */
export const errorsPlugin = fp(
  (app, _options, done) => {
    app.setErrorHandler((error: FastifyError | AppError, request, reply) => {
      const { code, details } = toldOf(error);
      if (code === 'internal') request.log.error({ err: error, url: request.url, method: request.method });
      // What is still on its way of a request that was refused is not waited for.
      if (code === 'code-needed' || code === 'not-allowed-here' || code === 'too-large')
        void reply.header('connection', 'close');
      void reply.status(ERROR_CODES[code].status).send(errorOf(code, details));
    });
    done();
  },
  { name: 'errors' },
);
