/** From least to most: the desk opens jobs and reads, a technician books, a lead also signs for others and runs the shop. */
export const ROLES = ["desk", "technician", "lead"] as const;
export type Role = (typeof ROLES)[number];

export const ROLE_NAMES: Record<Role, string> = {
  desk: "Front desk",
  technician: "Technician",
  lead: "Lead",
};

/** Whether a role reaches at least as far as the one wanted. */
export const reaches = (role: Role, wanted: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(wanted);
