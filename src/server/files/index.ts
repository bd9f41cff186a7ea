export { saveFile, savePicture, missingFiles, MOST_FILE, readFiles, readPicture, type SavedFile } from './files.service';
