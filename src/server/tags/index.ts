export { checkDeletable, createTag, listTags, updateTag } from './tags.service';
