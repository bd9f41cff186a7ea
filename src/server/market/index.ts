export { findBaseMap, saveBaseMap } from './base-map.service';
export {
  countOnMarket,
  criteriaSql,
  findListing,
  listingAskedAbout,
  listingOfNumber,
  listingsOfNumbers,
  listListings,
  marketNames,
  rowOfListing,
  type ListingQuery,
} from './listings.repository';
export { importListings, restoreListings } from './import-listings.service';
