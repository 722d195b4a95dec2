import { accepted, type Field, type Fields } from '@jubb/core/reckoners';

/** JSON Schema, as far as the fields of a reckoner need it. */
export interface FieldSchema {
  description?: string;
  type?: 'object' | 'array' | 'string' | 'number' | 'integer' | 'boolean';
  default?: string | number | boolean;
  enum?: string[];
  minimum?: number;
  maximum?: number;
  maxLength?: number;
  minItems?: number;
  maxItems?: number;
  items?: FieldSchema;
  oneOf?: FieldSchema[];
  properties?: Record<string, FieldSchema>;
  required?: string[];
  additionalProperties?: boolean;
}

/** The inputs of a reckoner as JSON Schema, for the API's description. */
export function schemaOfFields(fields: Fields): FieldSchema {
  return {
    type: 'object',
    additionalProperties: false,
    properties: Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, schemaOf(f)])),
    required: Object.entries(fields)
      .filter(([, f]) => !f.optional && f.default === undefined)
      .map(([name]) => name),
  };
}

const quantitySchema: FieldSchema = {
  type: 'object',
  properties: { value: { type: 'number' }, unit: { type: 'string' } },
  required: ['value', 'unit'],
};

function schemaOf(field: Field): FieldSchema {
  const description = `${field.label}: ${accepted(field)}`;
  const common = { description, ...(field.default === undefined ? {} : { default: field.default }) };
  switch (field.kind) {
    case 'quantity':
      return { ...common, oneOf: [{ type: 'string' }, quantitySchema] };
    case 'any-quantity':
    case 'scale':
      return { ...common, oneOf: [{ type: 'string' }, { type: 'number' }, quantitySchema] };
    case 'number':
      return {
        ...common,
        type: field.integer ? 'integer' : 'number',
        ...(field.min === undefined ? {} : { minimum: field.min }),
        ...(field.max === undefined ? {} : { maximum: field.max }),
      };
    case 'choice':
      return { ...common, type: 'string', enum: [...field.options] };
    case 'flag':
      return { ...common, oneOf: [{ type: 'boolean' }, { type: 'string', enum: ['yes', 'no'] }] };
    case 'text':
      return { ...common, type: 'string', maxLength: field.maxLength };
    case 'list':
      return {
        ...common,
        type: 'array',
        items: schemaOf(field.of),
        minItems: field.minLength,
        maxItems: field.maxLength,
      };
    case 'record':
      return { ...common, ...schemaOfFields(field.fields) };
    case 'either':
      return { ...common, oneOf: field.options.map(schemaOf) };
  }
}
