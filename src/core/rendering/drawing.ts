/** Something that is drawn, to be written as it is or painted. */
export interface Drawing {
  readonly svg: string;
  /** CSS pixels. */
  readonly width: number;
  readonly height: number;
}
