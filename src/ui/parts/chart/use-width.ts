import { useLayoutEffect, useRef, useState } from 'react'

/** The width of an element, followed as it changes; 0 until it is known. */
export function useWidth<E extends HTMLElement = HTMLDivElement>() {
  const box = useRef<E>(null)
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const element = box.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    setWidth(element.clientWidth)
    return () => observer.disconnect()
  }, [])
  return { box, width }
}
