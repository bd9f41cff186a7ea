/** The second entry of this feature, for those who read input: what is checked by Joi. Pages enter by index.ts and do not carry Joi with them. */
export {
  askOf,
  inquirySchema,
  readInquiry,
  storable,
  storableJson,
  type CleanInquiry,
  wantsSchema,
  withListing,
} from './inquiry';
