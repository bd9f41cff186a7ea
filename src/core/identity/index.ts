/** Who is who: names, addresses and homes of people as they are written down, and whether two are one person. */
export { agreement, namesAgree, type Agreement } from './agree';
export {
  chooseIdentity,
  fullerName,
  preparedKnown,
  type Choice,
  type Compared,
  type KnownIdentity,
  type PreparedKnown,
} from './choose';
export {
  compareIdentities,
  comparePrepared,
  preparedIdentity,
  tellingAddresses,
  type Comparison,
  type Evidence,
  type Identity,
  type OwnAddresses,
  type PreparedIdentity,
  type IdentityVerdict,
} from './compare';
export { homeKey, homeOf, isSameHome, type Home } from './home';
export { isPlaceholder } from './placeholder';
export { foldedName, writtenName, type WrittenName } from './written-name';
export { matchedBy, matchSentence, type Matched } from './matched';
