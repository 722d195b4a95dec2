/** What stands in an export beside its files; docs/open-files.md says the same at more length. */
export const README = `Everything of a workshop that was kept with Jubb, as open files.

Text is UTF-8, CSV is RFC 4180 with a header, times are UTC (ISO 8601), amounts are whole minor units (pence, cents).
A text that a spreadsheet would run as a formula stands behind an apostrophe.

customers.csv    name, phone, email, address, notes
units.csv        serial, model, build sheet, whose, hours a week
jobs/N.json      a job whole: its sheet, every event of its log with its hash, signatures, the record. "./jubb verify FILE" checks one
readings.csv     every reading and pull of every job, with instrument, verdict, time and who
parts.csv        what was ordered for jobs, from whom, at which price
prices.csv       the price lists that were taken in
stock.csv        parts and consumables in the shop's own bins
drawers.csv      shims by drawer, mm and pieces
instruments.csv  wrenches, gauges and meters with their calibration
suppliers.csv    name, phone, email, account, notes
people.csv       who works or worked here (no PINs)
invoices.csv     invoices for what was done, and credits
changes.csv      who changed which setting, and when
sheets/          build sheets, each revision, YAML
pictures/        by job, JPEG
documents/       makers' documents, by sheet
certificates/    certificates of calibration, by instrument

Not in it: PINs, sessions, the signing key. A backup ("./jubb backup FILE") has all, and is what a workshop is restored from.
`;
