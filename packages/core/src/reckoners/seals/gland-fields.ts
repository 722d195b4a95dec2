import { choice, defaulted, number, optional, quantity } from '../shape/index.ts';

/** The fields of a gland, shared by the reckoners that take one. */
export const glandFields = {
  kind: choice(['piston', 'rod', 'face'], 'Kind'),
  motion: choice(['static', 'dynamic'], 'Motion'),
  grooveDiameter: quantity('length', 'Groove diameter', {
    above: 0,
    max: 3000,
    help: 'of a face groove: the side that holds the ring’s inside',
  }),
  matingDiameter: optional(quantity('length', 'Bore, or rod', { above: 0, max: 3000 })),
  grooveDepth: optional(quantity('length', 'Depth of a face groove', { above: 0, max: 100 })),
  grooveWidth: quantity('length', 'Groove width', { above: 0, max: 200 }),
  medium: defaulted(choice(['hydraulic', 'pneumatic'], 'Medium'), 'hydraulic'),
  pressure: optional(quantity('pressure', 'Pressure, gauge', { min: 0, max: 2000 })),
  hardness: defaulted(number('Hardness, Shore A', { min: 40, max: 95 }), 70),
  gap: optional(quantity('length', 'Gap behind the ring, on the radius', { min: 0, max: 5 })),
} as const;
