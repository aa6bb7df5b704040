/** A competency package of any size, as others write it: with addresses, dates, HTML, and faults in it. */
export function bigPackage(items: number): string {
  const uuid = (n: number) => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`
  const uri = (n: number) => ({ title: `Item ${n}`, identifier: uuid(n), uri: `https://standards.example/uri/${uuid(n)}` })
  const stamp = '2027-01-01T00:00:00+00:00'
  return JSON.stringify({
    CFDocument: { identifier: uuid(0), title: 'A large set of standards', creator: 'Board of standards', lastChangeDateTime: stamp },
    CFItems: Array.from({ length: items }, (_, i) => ({
      identifier: uuid(i % 1000 === 999 ? i : i + 1),
      uri: `https://standards.example/uri/${uuid(i + 1)}`,
      fullStatement: `<p>Apply rule <b>${i + 1}</b> to measured data &amp; report what follows from it for the people concerned</p>`,
      humanCodingScheme: `S.${Math.floor(i / 100)}.${i % 100}`,
      CFItemType: i % 100 === 0 ? 'Element' : 'Performance criterion',
      language: 'en',
      lastChangeDateTime: stamp,
    })),
    CFAssociations: Array.from({ length: items }, (_, i) => ({
      identifier: uuid(items + i + 1),
      associationType: 'isChildOf',
      sequenceNumber: i + 1,
      originNodeURI: uri(i + 1),
      // Every thousandth names a parent that is not there; one pair stands within itself.
      destinationNodeURI: i % 100 === 0 ? uri(i === 200 ? 202 : 0) : i % 1000 === 500 ? uri(9_000_000) : uri(Math.floor(i / 100) * 100 + 1),
      lastChangeDateTime: stamp,
    })),
  })
}
