/** Which colours are shown. */

/**
 * Runs in the head of every page, before it is drawn: what was chosen (`data-scheme`) becomes what is shown (`data-shown`), and
 * follows the system and the printer.
 */
function showScheme(): void {
  const root = document.documentElement
  const dark = matchMedia('(prefers-color-scheme: dark)')
  const printing = matchMedia('print')
  const show = () => {
    const { scheme } = root.dataset
    const isDark = !printing.matches && (scheme === 'dark' || (scheme !== 'light' && dark.matches))
    root.dataset['shown'] = isDark ? 'dark' : 'light'
  }
  show()
  dark.addEventListener('change', show)
  printing.addEventListener('change', show)
  new MutationObserver(show).observe(root, { attributeFilter: ['data-scheme'] })
}
export const schemeScript = `(${showScheme.toString()})()`
