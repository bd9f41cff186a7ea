export { createPage, deletePage, listPages, readPage, updatePage, type PagePatch } from './pages.service';
export { homeOf, homesOf, openPage, pageToken, placesOfSearch, receiveVisitor, type From, type Shown } from './public.service';
export {
  findVisitor,
  firstVisit,
  knowVisitor,
  newVisitor,
  noteStep,
  sweepVisitors,
  type VisitorStep,
  type Visitor,
} from './visitors.service';
