/** A name that nothing else has: 128 random bits. `crypto.randomUUID` is missing wherever the page is not served securely. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  return Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('')
}
