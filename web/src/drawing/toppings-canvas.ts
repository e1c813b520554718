import { toppingPlaces } from '@ostler/core'
import type { Plan, Program, ToppingPlace, View } from '@ostler/core'

/** Paints one piece in the mm of the top, its middle at the origin. */
function piece(context: CanvasRenderingContext2D, { topping }: ToppingPlace): void {
  const r = topping.sizeMm / 2
  context.fillStyle = topping.hex
  context.beginPath()
  if (topping.kind === 'petals') {
    context.ellipse(0, 0, r, r * 0.55, 0, 0, 7)
    context.fill()
    context.strokeStyle = 'rgba(0,0,0,.28)'
    context.lineWidth = 0.35
    context.beginPath()
    context.moveTo(-r * 0.9, 0)
    context.quadraticCurveTo(0, r * 0.2, r * 0.9, 0)
    context.stroke()
    return
  }
  if (topping.kind === 'sprinkles') context.roundRect(-r, -r * 0.3, 2 * r, r * 0.6, r * 0.3)
  else if (topping.kind === 'seeds') context.ellipse(0, 0, r, r * 0.75, 0, 0, 7)
  else {
    const light = context.createRadialGradient(0, 0, 0, 0, 0, r)
    light.addColorStop(0, `${topping.hex}cc`)
    light.addColorStop(0.5, `${topping.hex}99`)
    light.addColorStop(1, `${topping.hex}00`)
    context.fillStyle = light
    context.arc(0, 0, r, 0, 7)
  }
  context.fill()
}

/** Strews the toppings over a picture of the top, or of a part of it. */
export function paintToppings(
  context: CanvasRenderingContext2D,
  plan: Plan,
  program: Program,
  { originX, originY, rightX, downY }: View,
  hexOf: (hex: string) => string,
): void {
  for (const place of toppingPlaces(plan, program)) {
    context.save()
    context.translate((place.x - originX) / rightX, (place.y - originY) / downY)
    context.scale(1 / rightX, 1 / Math.abs(downY))
    context.rotate(place.angle)
    piece(context, { ...place, topping: { ...place.topping, hex: hexOf(place.topping.hex) } })
    context.restore()
  }
}
