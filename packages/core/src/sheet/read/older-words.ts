import { isMap, isScalar, type Document, type YAMLMap } from 'yaml';

/** Keys of a setting as sheets were first written, and what they are called now. */
const SETTING_KEYS: Readonly<Record<string, string>> = { school: 'method', schools: 'methods' };

/**
 * Brings the keys of a sheet up to what they are called now, in the parsed document: the text that a shop wrote stays as
 * it is, and a problem still finds its line. A setting that says the old key and the new one keeps both, and is told.
 */
export function bringUpWords(doc: Document): void {
  if (!isMap(doc.contents)) return;
  const settings = doc.contents.get('settings');
  if (!isMap(settings)) return;
  for (const { value } of settings.items) {
    if (!isMap(value)) continue;
    bringUpKeys(value);
    const byVariant = value.get('by');
    if (isMap(byVariant)) for (const { value: own } of byVariant.items) if (isMap(own)) bringUpKeys(own);
  }
}

function bringUpKeys(setting: YAMLMap): void {
  for (const { key } of setting.items) {
    if (!isScalar(key) || typeof key.value !== 'string') continue;
    const now = Object.hasOwn(SETTING_KEYS, key.value) ? SETTING_KEYS[key.value] : undefined;
    if (now !== undefined && !setting.has(now)) key.value = now;
  }
}
