export { criteriaOfWords, criteriaWords, isLease, meets, wordsOfCriteria, type Criteria } from './criteria';
export {
  LISTING_STATUSES,
  listingNumber,
  NEEDED_COLUMNS,
  ON_THE_MARKET,
  priceWords,
  readListing,
  roomsWords,
  type Listing,
  type ListingStatus,
} from './listing';
export type { BaseMap, ListingsImported, ListingView } from './views';
