/** A vibration or an unbalance as amplitude and angle at once. */
export interface Complex {
  readonly re: number;
  readonly im: number;
}
const RAD = Math.PI / 180;
export const polar = (amplitude: number, deg: number): Complex => ({
  re: amplitude * Math.cos(deg * RAD),
  im: amplitude * Math.sin(deg * RAD),
});
export const add = (a: Complex, b: Complex): Complex => ({ re: a.re + b.re, im: a.im + b.im });
export const sub = (a: Complex, b: Complex): Complex => ({ re: a.re - b.re, im: a.im - b.im });
export const mul = (a: Complex, b: Complex): Complex => ({
  re: a.re * b.re - a.im * b.im,
  im: a.re * b.im + a.im * b.re,
});
export const div = (a: Complex, b: Complex): Complex => {
  const n = b.re * b.re + b.im * b.im;
  return { re: (a.re * b.re + a.im * b.im) / n, im: (a.im * b.re - a.re * b.im) / n };
};
export const abs = (a: Complex): number => Math.hypot(a.re, a.im);
/** Angle in degrees, 0 to 360. */
export const angleDeg = (a: Complex): number => {
  const deg = Math.atan2(a.im, a.re) / RAD;
  return deg < -1e-12 ? deg + 360 : Math.abs(deg);
};
