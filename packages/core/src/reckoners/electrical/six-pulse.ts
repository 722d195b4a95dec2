/**
 * The output of an ideal three-phase bridge, as an example: the largest less the least of three sines.
 * @param lineRms line-to-line voltage, rms
 * @param openDiode the first phase has lost its upper diode
 */
export function sixPulse(
  count: number,
  sampleRateHz: number,
  electricalHz: number,
  lineRms: number,
  openDiode = false,
): number[] {
  const amplitude = (lineRms * Math.SQRT2) / Math.sqrt(3);
  return Array.from({ length: count }, (_, i) => {
    const phase = (2 * Math.PI * electricalHz * i) / sampleRateHz;
    const e = [0, 1, 2].map((k) => amplitude * Math.sin(phase - (2 * Math.PI * k) / 3));
    return Math.max(...(openDiode ? e.slice(1) : e)) - Math.min(...e);
  });
}
