export { cellText, csvHeader, csvRows, plainText, writeCsv } from './write-csv.ts';
