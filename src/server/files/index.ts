export { keepFile, keepPicture, missingFiles, MOST_FILE, readFiles, readPicture, type KeptFile } from './files.service';
