import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import { commandDtos, MOST_SLOTS } from '@jubb/contract';
import { curveKinds } from '@jubb/core/bench';
import { reckoners } from '@jubb/core/reckoners';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { schemaOfFields } from './reckon/field-schema.ts';

type Schemas = NonNullable<NonNullable<OpenAPIObject['components']>['schemas']>;

const minute = { type: 'number' as const, minimum: 0, description: 'minutes since 1970, UTC' };
const slotSchema = {
  type: 'object' as const,
  required: ['activity', 'start', 'end', 'on'],
  properties: {
    activity: { type: 'string' as const },
    start: minute,
    end: minute,
    on: { type: 'array' as const, items: { type: 'string' as const } },
    place: { type: 'string' as const },
  },
};

/**
 * The API's own description. Bodies are described by the very decorators that check them (class-validator), and the
 * reckoners by their fields: neither is written a second time.
 */
export function openApi(app: INestApplication): OpenAPIObject {
  const document = SwaggerModule.createDocument(
    app,
    new DocumentBuilder().setTitle('Jubb').setDescription('The rebuild bench').setVersion('0.1').build(),
  );
  const schemas = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/components/schemas/',
    additionalConverters: {
      isTrace: { type: 'array', items: { type: 'array', items: { type: 'number' }, minItems: 2, maxItems: 2 } },
      isCounts: {
        type: 'object',
        additionalProperties: { type: 'integer', minimum: 0 },
        description: 'part → how many',
      },
      isRun: {
        type: 'object',
        required: ['kind'],
        properties: { kind: { type: 'string', enum: ['alternator', 'balancing', ...curveKinds] } },
        description: 'a run of a stand: its sweep and ripple, its course of balancing, or the points of its curve',
      },
      isFigures: {
        type: 'object',
        additionalProperties: { type: 'number' },
        description: 'figure → number, in canonical units',
      },
      isWeek: {
        type: 'array',
        minItems: 7,
        maxItems: 7,
        items: { type: 'array', items: { type: 'array', items: { type: 'string' }, minItems: 2, maxItems: 2 } },
        description: 'opening hours, Monday first: of each day spans such as ["08:00", "12:00"]',
      },
      isSlots: { type: 'array', maxItems: MOST_SLOTS, items: slotSchema },
      isPins: { type: 'array', maxItems: 500, items: { ...slotSchema, required: ['activity', 'start'] } },
      isInstant: { type: 'string', format: 'date-time' },
      isClock: { type: 'string', format: 'date-time' },
      isDay: { type: 'string', format: 'date' },
      isTorque: { description: 'a torque' },
      isKnownUnit: { description: 'a unit such as N·m, ft·lbf, mm, thou' },
    },
  }) as Schemas;
  const used = document.components?.schemas ?? {};
  for (const { name, value } of commandDtos) {
    const known = schemas[value.name] ?? {};
    const properties = 'properties' in known ? known.properties : {};
    const required = 'required' in known ? known.required : undefined;
    schemas[value.name] = {
      type: 'object',
      properties: { ...properties, type: { type: 'string', enum: [name] } },
      required: [...new Set(['type', ...(required ?? [])])],
    };
  }
  const envelope = schemas['CommandEnvelopeDto'];
  if (envelope && 'properties' in envelope && envelope.properties) {
    envelope.properties['command'] = {
      oneOf: commandDtos.map(({ value }) => ({ $ref: `#/components/schemas/${value.name}` })),
      discriminator: {
        propertyName: 'type',
        mapping: Object.fromEntries(
          commandDtos.map(({ name, value }) => [name, `#/components/schemas/${value.name}`] as const),
        ),
      },
    };
  }
  document.components = { ...document.components, schemas: { ...used, ...schemas } };
  describeReckoners(document);
  return document;
}

/** One path a reckoner, in place of the one with the id in it. */
function describeReckoners(document: OpenAPIObject): void {
  const { '/api/reckon/{id}': byId, ...paths } = document.paths;
  const post = byId?.post;
  if (!post) return;
  document.paths = paths;
  for (const r of reckoners) {
    document.paths[`/api/reckon/${r.id}`] = {
      post: {
        ...post,
        operationId: `reckon ${r.id}`,
        summary: r.title,
        description: r.formula,
        parameters: [],
        requestBody: { required: true, content: { 'application/json': { schema: schemaOfFields(r.inputs) } } },
      },
    };
  }
}
