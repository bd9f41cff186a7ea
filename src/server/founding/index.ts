export { foundBrokerage, type Founded, type Founding } from './found.service';
