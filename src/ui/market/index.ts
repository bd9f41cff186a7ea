export { AskFor } from './ask-for';
export { drawHome } from './home-drawing';
export { MapView } from './map';
export { MarketArea, type Home } from './market';
