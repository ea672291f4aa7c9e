/** The bones of a JPEG of so many bytes: enough to be put together anew, which is all that happens to it before it is sent. */
export function pictureOf(bytes: number): Uint8Array<ArrayBuffer> {
  const head = [0xff, 0xd8, 0xff, 0xc0, 0, 2, 0xff, 0xda, 0, 2]
  const picture = new Uint8Array(bytes)
  picture.set(head)
  picture.set([0xff, 0xd9], bytes - 2)
  return picture
}
