export { pageDocument, type PageContext } from './document';
export { NEW_FORM, type FormState } from './form';
export { homeHtml, type PublicListing, type SearchPlace } from './homes';
export { html, raw, type Html } from './html';
