/** The longest side of what is sent: the server shrinks it once more, and takes out what a camera wrote into it. */
const LONGEST = 1600

/** How large a picture is sent: no larger than it is. */
export function fitted(width: number, height: number) {
  const by = Math.min(1, LONGEST / Math.max(width, height))
  return { width: Math.round(width * by), height: Math.round(height * by) }
}

/** A picture as base64, shrunk already where the browser can read it: a phone’s own network is slow. */
export async function asBase64(file: Blob): Promise<string> {
  return base64Of(await shrunk(file).catch(() => file))
}

async function shrunk(file: Blob): Promise<Blob> {
  const image = await createImageBitmap(file)
  const { width, height } = fitted(image.width, image.height)
  const canvas = Object.assign(document.createElement('canvas'), { width, height })
  canvas.getContext('2d')!.drawImage(image, 0, 0, width, height)
  image.close()
  return new Promise((give, fail) =>
    canvas.toBlob((blob) => (blob ? give(blob) : fail(new Error())), 'image/jpeg', 0.85),
  )
}

export function base64Of(blob: Blob): Promise<string> {
  return new Promise((give, fail) => {
    const reader = new FileReader()
    reader.onload = () => give(String(reader.result).replace(/^[^,]*,/, ''))
    reader.onerror = () => fail(reader.error ?? new Error())
    reader.readAsDataURL(blob)
  })
}
