export { AskFor } from './ask-for';
export { MapView } from './map';
export { MarketArea, type ListingJson } from './market';
