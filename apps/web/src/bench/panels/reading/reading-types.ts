export type HowRead = 'instrument' | 'hand';
