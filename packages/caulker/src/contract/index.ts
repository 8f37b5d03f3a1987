export {
  asContract,
  contract,
  isContract,
  givenClauses,
  valueClauses,
  clauseOf,
  eventNames,
  sectionsOf,
  isGuessed,
  isValue,
  type AnyContract,
  type Contract,
  type ContractDraft,
  type ContractTypes,
  type NameMap,
} from './contract.js'
export type {
  CommandClause,
  CommandDraft,
  CommandMap,
  EventClause,
  EventDraft,
  PropertyClause,
  PropertyDraft,
  ReadingClause,
  ReadingDraft,
  SlotClause,
  SlotDraft,
  OwnDraft,
  OwnDraftClause,
  ValueClause,
  ValueDraft,
} from './clauses.js'
export type { OneOrMore } from './data/lists.js'
export {
  isObject,
  kinds,
  SECTIONS,
  WHOLE,
  type After,
  type Amend,
  type Refuse,
  type Kind,
  type Kinds,
  type Section,
  type Table,
} from './table/index.js'
export { fail, refuseOther, refused } from './refuse.js'
export { placeOf, rememberPlace, setPlace, firstPlace, type Place } from './data/place.js'
export { extend, type Extension } from './extend.js'
export { waiverOf, waiversOf, type Waiver, type Waivers } from './data/waivers.js'
export { contractFileSchema } from './file-schema.js'
export { contractFromJson, contractToJson, isWritten, type ContractJson } from './json.js'
export { Type } from './data/builder.js'
export { isEmpty } from './empty.js'
export { attributeText, attributeValue } from './attributes.js'
export { schemaJson } from './data/types.js'
export { pointerParts, valueAt } from './data/pointer.js'
export { printed } from './data/print.js'
export {
  accepts,
  checkOf,
  equal,
  host,
  HOST_KEYWORD,
  isDate,
  isHost,
  typeText,
  type SchemaMap,
  type Static,
  type TSchema,
  type TUnsafe,
} from './data/types.js'
export { listed, mapValues } from './data/lists.js'
export { isWithin, type Compatibility } from './data/compatible.js'
export { samplesOf } from './data/samples.js'
export { compareContracts, nextVersion, weightOf, type Change, type Weight } from './compare.js'
export type { Kebab, Named, ReportName, ValueEventNames } from './report-name.js'
export { typeFrom } from './data/type-from.js'
export type { PlainTypes, TypedContractJson, TypesFrom } from './typed-json.js'
export { withDeclared } from './declared.js'
export { elementsOfManifest, manifestOf, type ManifestElement, type ManifestField } from './manifest.js'
export { bring, crossedText, decidingNames, isBelow, isNoStep, limitsOf, outsideText, type Limits } from './bounds.js'
export { isKept, reasonAgainst, settle, withinLimits, type Settled } from './interception.js'
export { schemaProblems, type SchemaProblem } from './data/schema-problems.js'
