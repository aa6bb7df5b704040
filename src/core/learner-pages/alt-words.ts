/** Words of a picture that say what file it is, not what it shows. */

/** A file name, or what a camera or a screenshot is called by itself. */
export function isAltName(words: string): boolean {
  if (/\.(?:jpe?g|png|gif|svg|webp|avif|heic|heif|bmp|tiff?|ico|raw)$/i.test(words)) return true
  const name = words.toLowerCase().trim()
  // IMG_2041, DSC01234, P1010234, PXL_20270301_101112, 20270301_101112
  if (/^(?:img|image|dsc|dscn|dscf|pict?|pxl|gopr|mvi|cimg|sam|kif|vlcsnap|photo|wp)[-_ ]?\d{2,}[\w-]*$/.test(name)) return true
  if (/^p\d{6,8}$|^_?(?:mg|dsc)_?\d{3,}$|^\d{8}[-_ ]\d{4,6}$/.test(name)) return true
  // A name as a program gives it: the words for it, then a day or a number.
  return /^(?:screen ?shot|screen ?capture|screen ?grab|bildschirmfoto|unbenannt|untitled)(?:[\s_-]*[(#]?[\d\s.:_()-]*(?:at|um|am|pm)?[\d\s.:_()-]*)?$/.test(
    name,
  )
}

/** Just the word for what it is. */
export const isAltShape = (words: string): boolean =>
  /^(?:an? |the )?(?:image|picture|photo|photograph|graphic|figure|img|pic|icon|logo)[\s_-]*[(#]?\d*\)?[.:]?$/i.test(words)
