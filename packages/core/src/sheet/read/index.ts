export { readGoodSheet, readSheet, type ReadSheet } from './read.ts';
export { sheetSchema } from '../schema/schema.ts';
