/** Seconds until a body that is given heat and loses some comes to a temperature; Infinity where it never does. Source: balance of heat, one node.
 *  @param capacityJK heat that it takes for a kelvin */
export function warmsInS(
  heatW: number,
  lossWK: number,
  capacityJK: number,
  { fromC, toC, outsideC }: { readonly fromC: number; readonly toC: number; readonly outsideC: number },
): number {
  if (toC <= fromC) return 0
  if (lossWK === 0) return heatW > 0 ? (capacityJK * (toC - fromC)) / heatW : Infinity
  const endC = outsideC + heatW / lossWK
  return endC <= toC ? Infinity : (capacityJK / lossWK) * Math.log((endC - fromC) / (endC - toC))
}
