import type { CatalogueItem } from '@jubb/core/parts';

/** Invented suppliers. */
export const suppliers = ['Gannet Parts', 'Holm Bearing & Seal', 'Skerrow Factors'] as const;

/** How they are reached: invented, as they are. */
export const supplierFacts = [
  { name: suppliers[0], phone: '01632 960 114', email: 'desk@gannet.example', account: 'SK-204' },
  { name: suppliers[1], phone: '01632 960 127', email: 'orders@holm.example', account: '7731' },
  { name: suppliers[2], phone: '01632 960 139', email: '', account: '' },
] as const;

/** Below how many of a number more are ordered, and up to how many. */
export const levels = [
  { number: 'BD6-130', least: 20, upTo: 100 },
  { number: 'BD6-108', least: 4, upTo: 12 },
  { number: 'LC-LOCK-M', least: 3, upTo: 6 },
] as const;

/** Numbers that newer ones stand for. */
export const newerNumbers: readonly CatalogueItem[] = [
  { number: 'BD6-121', title: 'Hub seal', priceMinor: 860, supplier: suppliers[1], supersededBy: 'BD6-121A' },
  {
    number: 'BD6-121A',
    title: 'Hub seal, spring lip',
    priceMinor: 890,
    supplier: suppliers[1],
    supersededBy: 'BD6-122',
  },
  { number: 'BD6-122', title: 'Hub seal, two lips', priceMinor: 940, supplier: suppliers[1] },
];

/** What lies in the drawers: small things that are always wanted. */
export const stockedParts = [
  { number: 'BD6-130', title: 'Split pin 4 × 40', bin: 'Drawer 3', count: 24 },
  { number: 'BD6-108', title: 'Felt ring', bin: 'Drawer 3', count: 4 },
  { number: 'OR9-311', title: 'Pin lock bolt', bin: 'Drawer 5', count: 3 },
  { number: 'LC-SEALANT', title: 'Sealant, grey, 80 ml', bin: 'Cupboard', count: 5 },
  { number: 'LC-LOCK-M', title: 'Threadlocker, medium, 10 ml', bin: 'Cupboard', count: 2 },
] as const;
