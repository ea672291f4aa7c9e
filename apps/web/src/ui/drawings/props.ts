/**
 * What a picture is drawn from. The input has just been accepted by the calculator, and the result is its
 * own: each picture knows their shapes.
 */
export interface PictureProps {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  input: any
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  result: any
}
