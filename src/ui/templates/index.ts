export { useOwnFields, useTemplates, type Template } from './fields';
export { NewNamed } from './new-named';
export { Preview } from './preview';
export { Rate } from './rates';
export { CampaignTabs } from './tabs';
export { TemplateEditor } from './template';
export { TemplatesArea } from './templates';
export { WordsEditor } from './words-editor';
