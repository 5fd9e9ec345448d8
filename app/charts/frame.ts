/** The field that a chart draws in, in the drawing's own units: from `left` to `right`, from `top` down to `bottom`. */
export interface Frame {
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** A field of so much within a drawing, by what is kept free at each edge. */
export const frameOf = (
  width: number,
  height: number,
  edge: { top: number; right: number; bottom: number; left: number },
): Frame => ({
  width,
  height,
  left: edge.left,
  right: width - edge.right,
  top: edge.top,
  bottom: height - edge.bottom,
});
