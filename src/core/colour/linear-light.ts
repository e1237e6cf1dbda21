/** A channel of sRGB, 0–1, as light. IEC 61966-2-1. */
export const linearised = (channel: number): number =>
  channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;

/** Light, kept within 0–1, as a channel of sRGB. */
export function toGamma(light: number): number {
  const within = Math.max(0, Math.min(1, light));
  return within <= 0.0031308 ? within * 12.92 : 1.055 * within ** (1 / 2.4) - 0.055;
}
