import type { CatalogueItem } from '@jubb/core/parts';

/** Rows of one INSERT. */
const BATCH = 2000;

/** Puts items into the catalogue, within whatever transaction `query` runs in. */
export async function putItems(
  query: (sql: string, values: unknown[]) => Promise<unknown>,
  items: readonly CatalogueItem[],
): Promise<void> {
  for (let i = 0; i < items.length; i += BATCH)
    await query(
      `INSERT INTO catalogue_item (number, title, price_minor, supplier, superseded_by)
       SELECT number, title, "priceMinor", supplier, "supersededBy"
       FROM jsonb_to_recordset($1::jsonb) AS x(number text, title text, "priceMinor" int, supplier text, "supersededBy" text)
       ON CONFLICT (number) DO UPDATE SET title = excluded.title, price_minor = excluded.price_minor,
         supplier = excluded.supplier, superseded_by = excluded.superseded_by`,
      [JSON.stringify(items.slice(i, i + BATCH))],
    );
}
