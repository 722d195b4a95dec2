/** The package ships this module without its types beside it. */
declare module 'class-transformer/cjs/storage.js' {
  export { defaultMetadataStorage } from 'class-transformer/types/storage';
}
