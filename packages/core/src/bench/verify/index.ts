export { fingerprint, signatureFits, signedText, type HeadSignature } from './signature.ts';
export { verifyExport, type Check, type JobExport, type Verification } from './verify.ts';
