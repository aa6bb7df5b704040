import { useEffect, useRef, useState } from 'react'

/** The width of an element, followed as it changes; 0 until the page was laid out: many of them ask for it only once. */
export function useWidth<E extends HTMLElement = HTMLDivElement>() {
  const box = useRef<E>(null)
  const [width, setWidth] = useState(0)
  useEffect(() => {
    const element = box.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return { box, width }
}
