import { createElement, type JSX, type SVGProps } from 'react'
import { COLOURS, MONO, ink, type Colour } from '../theme/colours.js'

/** A colour of the theme by its name; any other word goes as it is: none, transparent, white, the colour of a string. */
type Paint = Colour | (string & {})

interface OfTheme {
  fill?: Paint | undefined
  stroke?: Paint | undefined
  /** In the tabular face. */
  mono?: boolean | undefined
}
type ShapeProps<E extends SVGElement> = Omit<SVGProps<E>, keyof OfTheme | 'fontFamily'> & OfTheme

const paint = (colour: Paint | undefined) =>
  colour !== undefined && Object.hasOwn(COLOURS, colour) ? ink(colour as Colour) : colour

/** What is said of letters goes as a style: the page's own rule, that everything inherits its letters, is stronger than an attribute. */
function made<E extends SVGElement>(element: string) {
  return function Shape(props: ShapeProps<E>): JSX.Element {
    const { fill, stroke, mono, fontSize, fontWeight, style, ...rest } = props
    const letters = { fontSize, fontWeight, fontFamily: mono ? MONO : undefined, ...style }
    return createElement(element, { ...rest, fill: paint(fill), stroke: paint(stroke), style: letters })
  }
}

/**
 * What drawings are made of: the elements of SVG with the colours of the theme. A drawing follows every key and every drag, so its shapes
 * are not components of the library, whose styles are worked out anew for each of them.
 */
export const shape = {
  rect: made<SVGRectElement>('rect'),
  path: made<SVGPathElement>('path'),
  text: made<SVGTextElement>('text'),
  g: made<SVGGElement>('g'),
  circle: made<SVGCircleElement>('circle'),
  line: made<SVGLineElement>('line'),
  polyline: made<SVGPolylineElement>('polyline'),
}
