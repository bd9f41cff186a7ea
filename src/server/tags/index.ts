export { checkDeletable, createTag, hideTag, listTags, showTag, updateTag } from './tags.service';
