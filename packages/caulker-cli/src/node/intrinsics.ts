const WATCHED = [
  Object,
  Function,
  Array,
  String,
  Number,
  Promise,
  Map,
  Set,
  Symbol,
  JSON,
  Math,
  Reflect,
  Object.prototype,
  Function.prototype,
  Array.prototype,
  String.prototype,
  Number.prototype,
  Promise.prototype,
  Map.prototype,
  Set.prototype,
]

/** Remembers the built-in objects as they are; the answer tells whether something has been changed in them since. */
export function watchIntrinsics(): () => boolean {
  const before = WATCHED.map((one) => Object.getOwnPropertyDescriptors(one) as Record<PropertyKey, PropertyDescriptor>)
  return () => WATCHED.every((one, at) => isAsBefore(one, before[at] ?? {}))
}

function isAsBefore(now: object, before: Record<PropertyKey, PropertyDescriptor>): boolean {
  const keys = Reflect.ownKeys(now)
  return (
    keys.length === Reflect.ownKeys(before).length &&
    keys.every((key) => {
      const [one, other] = [Object.getOwnPropertyDescriptor(now, key), before[key]]
      return Object.is(one?.value, other?.value) && one?.get === other?.get && one?.set === other?.set
    })
  )
}
