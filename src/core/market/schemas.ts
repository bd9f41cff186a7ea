/** The second entry of this feature: criteria of a search, and the ground of a map, checked by Joi. */
import Joi from 'joi';
import { typed } from '../shared';

const corner = typed<[number, number]>(Joi.array().items(Joi.number().min(-180).max(180)).length(2));

export const criteriaSchema = Joi.object({
  areas: Joi.array().items(Joi.string().min(1).max(100)).max(50),
  within: Joi.array().items(corner).min(3).max(50),
  price_min: Joi.number().min(0).max(1e12),
  price_max: Joi.number().min(0).max(1e12),
  beds_min: Joi.number().min(0).max(50),
  kinds: Joi.array().items(Joi.string().min(1).max(100)).max(50),
  lease: Joi.boolean(),
  open_house: Joi.boolean(),
});

/** The ground of the map: a feature collection of RFC 7946 whose features have a `kind` and a `name`. */
export const groundSchema = Joi.object({
  type: Joi.string().valid('FeatureCollection').required(),
  features: Joi.array()
    .items(
      Joi.object({
        type: Joi.string().valid('Feature').required(),
        properties: Joi.object({ kind: Joi.string().max(40).required(), name: Joi.string().max(120).allow('').required() })
          .unknown(true)
          .required(),
        geometry: Joi.object({
          type: Joi.string().valid('Polygon', 'MultiPolygon', 'LineString', 'MultiLineString', 'Point').required(),
          coordinates: Joi.array().required(),
        })
          .unknown(true)
          .required(),
      }).unknown(true),
    )
    .max(5_000)
    .required(),
})
  .unknown(true)
  .required();
