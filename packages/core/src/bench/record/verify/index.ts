export { fingerprint, signatureFits, signedText, type HeadSignature } from './signature.ts';
export { recordSchema } from './record-schema.ts';
export { verifyExport, type Check, type JobExport, type Verification } from './verify.ts';
