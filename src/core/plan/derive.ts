import type { Blueprint } from '../blueprint/blueprint'

/** Makes a function of a blueprint that is worked out once for each and kept as long as the blueprint is. */
export function perBlueprint<T>(build: (blueprint: Blueprint) => T): (blueprint: Blueprint) => T {
  const kept = new WeakMap<Blueprint, { readonly value: T }>()
  return (blueprint) => {
    const known = kept.get(blueprint)
    if (known) return known.value
    const value = build(blueprint)
    kept.set(blueprint, { value })
    return value
  }
}
