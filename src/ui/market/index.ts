export { AskFor } from './ask-for';
export { MapView } from './map';
export { MarketArea, type Home } from './market';
