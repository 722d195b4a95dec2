/**
 * Shear strength of what a bolt is screwed into, MPa: a careful lower figure for each, common practice, from memory.
 */
export const threadMaterials = Object.freeze({
  aluminium: 150,
  magnesium: 110,
  'cast-iron': 230,
  brass: 190,
  bronze: 210,
  zinc: 140,
  steel: 320,
} as const);
export type ThreadMaterial = keyof typeof threadMaterials;
export const threadMaterialNames = Object.keys(threadMaterials) as readonly ThreadMaterial[];
/** Of these the handbooks differ by a fifth: the screen says so. */
export const DOUBTFUL_STRENGTHS: readonly ThreadMaterial[] = ['steel', 'bronze'];
