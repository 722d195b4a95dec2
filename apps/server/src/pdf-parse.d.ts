/** The part of pdf-parse that its types leave out: the reader itself, without what it does when it is run alone. */
declare module 'pdf-parse/lib/pdf-parse.js' {
  export default function parse(bytes: Buffer): Promise<{ readonly text: string; readonly numpages: number }>;
}
