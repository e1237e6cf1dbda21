/** A page as a browser has painted it, from its top left. */
export interface PagePicture {
  /** One below the other, each a PNG in base64. */
  readonly pieces: readonly { readonly top: number; readonly height: number; readonly png: string }[];
  /** In CSS pixels, each of which is one of the picture. */
  readonly width: number;
  readonly height: number;
  /** Whether the page goes on below it. */
  readonly isCut: boolean;
}
