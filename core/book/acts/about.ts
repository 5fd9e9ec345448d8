/** A place only where there is one. */
export const at = (place: string | undefined): { place?: string } => {
  const said = place?.trim();
  return said ? { place: said } : {};
};

/** A text only where there is one. */
export const saying = (text: string | undefined): { text?: string } => {
  const said = text?.trim();
  return said ? { text: said } : {};
};

/** A line that takes another's place, where there is another. */
export const instead = (of: string | undefined): { corrects?: string } => (of ? { corrects: of } : {});
