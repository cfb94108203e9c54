/** A picture as numbers: red, green, blue and alpha of each pixel. */
export interface Rgba {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}
