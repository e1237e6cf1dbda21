/** The device the page is judged for. CSS lengths in CSS pixels. */
export interface Device {
  readonly width: number;
  readonly height: number;
  readonly colourScheme: "light" | "dark";
  readonly reducedMotion: boolean;
  readonly finePointer: boolean;
}

export const desktop: Device = {
  width: 1280,
  height: 800,
  colourScheme: "light",
  reducedMotion: false,
  finePointer: true,
};
