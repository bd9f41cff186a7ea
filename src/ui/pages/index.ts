export { PageEditor } from './editor';
export { PagesList } from './list';
