const EDGE = 1600

/**
 * A photo as it is kept: drawn anew at most 1600 pixels wide, so that nothing of the file comes along but what one sees.
 * Where it was taken stays behind on the device, before anything is stored or sent.
 */
export async function scaled(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  const share = Math.min(1, EDGE / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(picture.width * share))
  canvas.height = Math.max(1, Math.round(picture.height * share))
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be drawn.'))),
      'image/jpeg',
      0.85,
    ),
  )
}
