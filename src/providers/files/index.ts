export { openFile, type OpenedFile } from './open';
export { readContacts, type FileReading, type ReadFile } from './people';
export { previewFile } from './preview';
