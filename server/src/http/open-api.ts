import { problem, ROUTE_WORDS, type RouteName, routes } from '@odd-corner/contract';
import * as z from 'zod';

interface Route {
  readonly method: string;
  readonly path: string;
  readonly body?: z.ZodType;
  readonly query?: z.ZodObject;
  readonly answer: z.ZodType;
  readonly kind?: 'file' | 'stream';
  readonly takes?: 'file';
}

type Json = Record<string, unknown>;

/** Schemas that no JSON Schema can say (a file) are anything. */
const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): Json => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any', reused: 'inline' });
  return rest;
};

const FILE: Json = { 'application/json': { schema: { type: 'object' } } };
const STREAM: Json = { 'text/event-stream': { schema: { type: 'string' } } };

function answerOf({ answer, kind }: Route): Json {
  if (kind === 'file') return FILE;
  if (kind === 'stream') return STREAM;
  return { 'application/json': { schema: schemaOf(answer, 'output') } };
}

function parametersOf({ path, query }: Route): Json[] {
  const id = { name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } };
  const asked = Object.entries(query?.shape ?? {}).map(([name, schema]) => ({
    ...{ name, in: 'query', required: false },
    schema: schemaOf(schema as z.ZodType, 'output'),
  }));
  return [...(path.includes(':id') ? [id] : []), ...asked];
}

function bodyOf({ body, takes }: Route): Json {
  if (!body && !takes) return {};
  const content = body ? { 'application/json': { schema: schemaOf(body, 'input') } } : FILE;
  return { requestBody: { required: true, content } };
}

/** Routes that lie beside each other are about the same: the first word of their path. */
const tagOf = (path: string): string => path.split('/')[2].replace(/\.\w+$/, '');

function describe(): Json {
  const paths: Record<string, Json> = {};
  for (const [name, route] of Object.entries(routes) as [RouteName, Route][]) {
    const path = route.path.replace(':id', '{id}');
    paths[path] = {
      ...paths[path],
      [route.method.toLowerCase()]: {
        ...{ operationId: name, summary: ROUTE_WORDS[name], tags: [tagOf(route.path)] },
        parameters: parametersOf(route),
        ...bodyOf(route),
        responses: {
          // Added for the first time it is 201.
          '2XX': { description: 'Done', content: answerOf(route) },
          default: { $ref: '#/components/responses/problem' },
        },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Odd Corner',
      version: '1',
      description:
        'A workshop of practical paper folding. Lengths are in mm, moments are ISO 8601 in UTC, ids are made by the sender: what is sent twice is counted once. A row carries a version; a change of an older one is answered with 409 and the row as it stands.',
    },
    paths,
    components: {
      responses: {
        problem: {
          description: 'What went wrong, after RFC 9457',
          content: { 'application/problem+json': { schema: schemaOf(problem, 'output') } },
        },
      },
    },
  };
}

let described: Json | null = null;

/** The routes as OpenAPI 3.1, made from the table that the server answers by. */
export const openApi = (): Json => (described ??= describe());
