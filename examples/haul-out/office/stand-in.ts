/** What the stand-in office is set to, by the switches in the page. */
export interface Switches {
  /** How long an answer takes, in milliseconds. */
  delay: number
  /** What becomes of the next thing that is sent. */
  next: 'works' | 'fails' | 'berth-taken' | 'never'
}

/** An office in memory: it is slow and fails when it is told to, and hears that nobody waits for it any more. */
export function standInOffice(switches: Switches) {
  const orders = new Map<string, { berth: string; remark: string }>()
  const taken = () => [...orders.values()].map(({ berth }) => berth)

  async function answer<T>(signal: AbortSignal, make: () => T, isSent = false): Promise<T> {
    const { next } = switches
    if (isSent) switches.next = 'works'
    if (isSent && next === 'never') await new Promise((_, reject) => signal.addEventListener('abort', reject))
    await pause(switches.delay, signal)
    if (isSent && next === 'fails') throw new Error('The office did not answer. Nothing is lost: try again.')
    if (isSent && next === 'berth-taken')
      throw Object.assign(new Error('The berth is taken'), { problems: { '/berth': 'Taken since this morning' } })
    return make()
  }

  return {
    orders,
    berths: (_: undefined, { signal }: { signal: AbortSignal }) =>
      answer(signal, () => ['Slip 1', 'Slip 2', 'Pontoon A'].filter((berth) => !taken().includes(berth))),
    seams: (_: undefined, { signal }: { signal: AbortSignal }) =>
      answer(signal, () => [
        { id: 'garboard', name: 'Garboard seam', feet: 12 },
        { id: 'wale', name: 'Wale seam', feet: null },
      ]),
    book: ({ berth }: { berth: string }, { signal }: { signal: AbortSignal }) =>
      answer(
        signal,
        () => {
          const number = `MC-${101 + orders.size}`
          orders.set(number, { berth, remark: '' })
          return { number }
        },
        true,
      ),
    remark: ({ number, remark }: { number: string; remark: string }, { signal }: { signal: AbortSignal }) =>
      answer(signal, () => void Object.assign(orders.get(number) ?? {}, { remark }), true) as Promise<undefined>,
  }
}

function pause(milliseconds: number, signal: AbortSignal): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(resolve, milliseconds)
    signal.addEventListener('abort', () => {
      clearTimeout(timer)
      reject(new Error('nobody waits for it any more'))
    })
  })
}
