const HEADER = 8
const MOST_BYTES = 1024

/** Memory that a probing thread shares with its watcher: how many steps it has begun, and the last of them in words. */
export function createHeartbeat(): SharedArrayBuffer {
  return new SharedArrayBuffer(HEADER + MOST_BYTES)
}

/** A message would never leave a thread that has fallen into an endless loop; a write to shared memory does. */
export function beat(memory: SharedArrayBuffer, step: string): void {
  const bytes = new TextEncoder().encode(step).subarray(0, MOST_BYTES)
  new Uint8Array(memory).set(bytes, HEADER)
  const header = new Int32Array(memory, 0, 2)
  Atomics.store(header, 1, bytes.length)
  Atomics.add(header, 0, 1)
}

export function readHeartbeat(memory: SharedArrayBuffer): { beats: number; step: string } {
  const header = new Int32Array(memory, 0, 2)
  const bytes = new Uint8Array(memory).slice(HEADER, HEADER + Atomics.load(header, 1))
  return { beats: Atomics.load(header, 0), step: new TextDecoder().decode(bytes) }
}
