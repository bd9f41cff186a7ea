/** JSON Schema of a TypeScript type as JSON carries its values: an instant is RFC 3339 text, a named type is referred to. */

/** @returns `schemaOf` for types, and the schemas of the named types that were met */
export function schemasOf(ts, checker) {
  const components = {};
  const names = new Map();
  const { TypeFlags, SymbolFlags } = ts;

  /** A name of our own that may be referred to; types made in place, and those of the language, have none. */
  function nameOf(type) {
    const symbol = type.aliasSymbol ?? (type.symbol?.flags & SymbolFlags.Interface ? type.symbol : undefined);
    if (!symbol || type.aliasTypeArguments?.length || type.typeArguments?.length) return null;
    const file = symbol.declarations?.[0]?.getSourceFile().fileName ?? '';
    return file.includes('node_modules') || symbol.name.startsWith('__') ? null : symbol.name;
  }

  function schemaOf(type) {
    const name = nameOf(type);
    if (!name || !(type.flags & (TypeFlags.Object | TypeFlags.Union | TypeFlags.Intersection))) return madeOf(type);
    const known = names.get(name);
    if (known && known !== type) return madeOf(type);
    if (!known) {
      names.set(name, type);
      components[name] = {};
      Object.assign(components[name], madeOf(type), commentOf(type.aliasSymbol ?? type.symbol));
    }
    return { $ref: `#/components/schemas/${name}` };
  }

  function madeOf(type) {
    const { flags } = type;
    if (flags & (TypeFlags.Any | TypeFlags.Unknown | TypeFlags.NonPrimitive)) return {};
    if (flags & TypeFlags.StringLiteral || flags & TypeFlags.NumberLiteral) return { const: type.value };
    if (flags & TypeFlags.BooleanLiteral) return { const: type.intrinsicName === 'true' };
    if (flags & (TypeFlags.String | TypeFlags.TemplateLiteral | TypeFlags.StringMapping)) return { type: 'string' };
    if (flags & TypeFlags.Number) return { type: 'number' };
    if (flags & TypeFlags.Boolean) return { type: 'boolean' };
    if (flags & TypeFlags.Null) return { type: 'null' };
    if (type.isUnion()) return unionOf(type.types.filter((one) => !(one.flags & TypeFlags.Undefined)));
    if (type.symbol?.name === 'Date') return { type: 'string', format: 'date-time' };
    if (type.symbol?.name === 'Download') return { type: 'string', contentMediaType: 'application/octet-stream' };
    if (checker.isTupleType(type)) return { type: 'array', prefixItems: checker.getTypeArguments(type).map(schemaOf) };
    if (checker.isArrayType(type)) return { type: 'array', items: schemaOf(checker.getTypeArguments(type)[0]) };
    return objectOf(type);
  }

  function unionOf(types) {
    const literals = types.filter((one) => one.isStringLiteral() || one.isNumberLiteral());
    const booleans = types.filter((one) => one.flags & TypeFlags.BooleanLiteral);
    const parts = types.filter((one) => !literals.includes(one) && !booleans.includes(one)).map(schemaOf);
    if (literals.length) parts.unshift({ enum: literals.map(({ value }) => value).sort() });
    if (booleans.length) parts.unshift(booleans.length === 2 ? { type: 'boolean' } : schemaOf(booleans[0]));
    /* The compiler has no order of its own for them. */
    const inOrder = parts.sort((one, other) => (JSON.stringify(one) < JSON.stringify(other) ? -1 : 1));
    return inOrder.length === 1 ? inOrder[0] : { anyOf: inOrder };
  }

  function objectOf(type) {
    const properties = {};
    const required = [];
    for (const property of checker.getPropertiesOfType(type)) {
      if (property.name.startsWith('__@')) continue;
      const of = checker.getTypeOfSymbol(property);
      if (of.getCallSignatures().length) continue;
      properties[property.name] = { ...schemaOf(of), ...commentOf(property) };
      const may = of.isUnion() && of.types.some(({ flags }) => flags & TypeFlags.Undefined);
      if (!(property.flags & SymbolFlags.Optional) && !may) required.push(property.name);
    }
    const index = checker.getIndexInfosOfType(type)[0];
    return {
      type: 'object',
      ...(Object.keys(properties).length ? { properties } : {}),
      ...(required.length ? { required } : {}),
      ...(index ? { additionalProperties: schemaOf(index.type) } : {}),
    };
  }

  function commentOf(symbol) {
    const comment = symbol && ts.displayPartsToString(symbol.getDocumentationComment(checker)).replaceAll(/\s+/g, ' ').trim();
    return comment ? { description: comment } : {};
  }

  return { schemaOf, components };
}
