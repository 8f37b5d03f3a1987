const HEADER = 8
/** Enough for a step that names a file at the end of a long path. */
const MOST_BYTES = 16_384

/** Memory that a probing thread shares with its watcher: how many steps it has begun, and the last of them in words. */
export function createHeartbeat(): SharedArrayBuffer {
  return new SharedArrayBuffer(HEADER + MOST_BYTES)
}

/**
 * A message would never leave a thread that has fallen into an endless loop; a write to shared memory does. While it is written the
 * count is odd, so that nobody takes half of a step for the whole.
 */
export function beat(memory: SharedArrayBuffer, step: string): void {
  const bytes = new TextEncoder().encode(step).subarray(0, MOST_BYTES)
  const header = new Int32Array(memory, 0, 2)
  Atomics.add(header, 0, 1)
  new Uint8Array(memory).set(bytes, HEADER)
  Atomics.store(header, 1, bytes.length)
  Atomics.add(header, 0, 1)
}

/** How often it is looked again before a write counts as one that was cut off with its thread. */
const MOST_LOOKS = 1000

/** The step is empty where its thread was ended while it wrote it down. */
export function readHeartbeat(memory: SharedArrayBuffer): { beats: number; step: string } {
  const header = new Int32Array(memory, 0, 2)
  for (let look = 0; look < MOST_LOOKS; look++) {
    const before = Atomics.load(header, 0)
    const bytes = new Uint8Array(memory).slice(HEADER, HEADER + Atomics.load(header, 1))
    if (before % 2 === 0 && Atomics.load(header, 0) === before)
      return { beats: before / 2, step: new TextDecoder().decode(bytes) }
  }
  return { beats: Math.floor(Atomics.load(header, 0) / 2), step: '' }
}
