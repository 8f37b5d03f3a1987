export {
  contract,
  isContract,
  givenClauses,
  valueClauses,
  clauseOf,
  eventNames,
  isGuessed,
  isValue,
  type AnyContract,
  type Contract,
  type ContractDraft,
  type ContractTypes,
  type NameMap,
} from './contract.js'
export type {
  After,
  Amend,
  CommandClause,
  CommandDraft,
  CommandMap,
  EventClause,
  EventDraft,
  OneOrMore,
  PropertyClause,
  PropertyDraft,
  ReadingClause,
  ReadingDraft,
  Refuse,
  SlotClause,
  SlotDraft,
  ValueClause,
  ValueDraft,
} from './clauses.js'
export { CaulkerError, messageOf, type ErrorCode } from './errors.js'
export { closest, hint, kebab, labelOf } from './names.js'
export { placeOf, rememberPlace, setPlace, firstPlace, type Place } from './place.js'
export { extend, type Extension } from './extend.js'
export { contractFileSchema } from './file-schema.js'
export { contractFromJson, contractToJson, schemaJson, type ContractJson } from './json.js'
export { pointerParts, valueAt } from './pointer.js'
export { printed } from './print.js'
export {
  accepts,
  checkOf,
  equal,
  host,
  HOST_KEYWORD,
  isHost,
  Type,
  typeText,
  type SchemaMap,
  type Static,
  type TSchema,
} from './types.js'
export { listed, mapValues } from './lists.js'
export { isWithin, type Compatibility } from './compatible.js'
export { samplesOf } from './samples.js'
export { compareContracts, nextVersion, weightOf, type Change, type Weight } from './compare.js'
export type { Kebab, Named, ReportName, ValueEventNames } from './report-name.js'
export { typeFrom } from './type-from.js'
export type { PlainTypes, TypedContractJson, TypesFrom } from './typed-json.js'
export { withDeclared } from './declared.js'
export { elementsOfManifest, manifestOf, type ManifestElement, type ManifestField } from './manifest.js'
