/** What an exception says of a body in which one field is wrong: the field and why, as people and as forms read it. */
export const wrongField = (
  field: string,
  says: string,
): { readonly message: string; readonly errors: Readonly<Record<string, readonly string[]>> } => ({
  message: `${field}: ${says}`,
  errors: { [field]: [says] },
});
