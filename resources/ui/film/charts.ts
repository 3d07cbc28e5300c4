import { scaleLinear } from 'd3-scale'
import { area, curveLinear, curveStepAfter, line } from 'd3-shape'

// Scales and paths of what is a chart; ribbons and drops are drawn by geometry.ts.

/** From a span of figures to a span of pixels. */
export const along = (figures: [number, number], pixels: [number, number]) => scaleLinear(figures, pixels)

type At<Point> = (point: Point, index: number) => number

/** How one gets from one point to the next: straight, or staying until there is another. */
const ways = { straight: curveLinear, steps: curveStepAfter }
type Way = keyof typeof ways

/** A line through points, to a tenth of a pixel. */
export const through = <Point>(points: readonly Point[], x: At<Point>, y: At<Point>, way: Way = 'straight'): string =>
  line<Point>().curve(ways[way]).digits(1).x(x).y(y)(points as Point[]) ?? ''

/** What lies between two lines. */
export const between = <Point>(
  points: readonly Point[],
  x: At<Point>,
  low: At<Point>,
  high: At<Point>,
  way: Way = 'straight',
): string => area<Point>().curve(ways[way]).digits(1).x(x).y0(low).y1(high)(points as Point[]) ?? ''
