export { readGround, setGround } from './ground.service';
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
export { takeListings } from './take.service';
