/**
 * Elastomers by their ISO 1629 codes: range of use, °C, and how they bear what they meet: 2 well, 1 for a while or at
 * rest, 0 not at all. Common handbook ratings, from memory: the maker of the very compound comes first.
 */
export const fluids = [
  'mineral-oil',
  'glycol-brake-fluid',
  'pag-oil',
  'ester-oil',
  'petrol',
  'diesel',
  'coolant',
  'silicone',
  'phosphate-ester',
  'brine',
] as const;
export type Fluid = (typeof fluids)[number];

export interface Elastomer {
  readonly fromC: number;
  readonly toC: number;
  /** Good enough where it rubs. */
  readonly dynamic: boolean;
  readonly bears: Readonly<Record<Fluid, 0 | 1 | 2>>;
}
const e = (fromC: number, toC: number, dynamic: boolean, marks: string): Elastomer =>
  Object.freeze({
    fromC,
    toC,
    dynamic,
    bears: Object.fromEntries(fluids.map((fluid, i) => [fluid, Number(marks[i])])) as Record<Fluid, 0 | 1 | 2>,
  });
// In the order of `fluids`: mineral, glycol, PAG, ester, petrol, diesel, coolant, silicone, phosphate ester, brine.
export const elastomers: Readonly<Record<string, Elastomer>> = Object.freeze({
  NBR: e(-30, 100, true, '2011122202'),
  HNBR: e(-30, 150, true, '2022122202'),
  // FKM in ester oil: handbooks range from good (lubricants) to poor (with refrigerant); the careful mark, and said so.
  FKM: e(-20, 200, true, '2001221211'),
  EPDM: e(-45, 130, true, '0221002222'),
  ACM: e(-20, 150, true, '2001010200'),
  VMQ: e(-55, 200, false, '1100001001'),
  CR: e(-40, 100, true, '1021012202'),
  SBR: e(-40, 80, true, '0200001201'),
  PTFE: e(-150, 250, true, '2222222222'),
});
