export {
  BASE_ROLES,
  BUTTON_PARTS,
  BUTTON_STATES,
  behindRole,
  buttonRole,
  parseButtonRole,
  BUTTON_PART_LABELS,
  roleLabel,
  roleOn,
  roleNeed,
  type BaseRole,
  type ButtonPart,
  type ButtonState,
} from './roles.ts';
export { RawColor, RoleName, RoleValue, roleSwatch, withRoleSwatch } from './role-value.ts';
export { clearestFor, clearestOn, type Clearest } from './clearest-on.ts';
export { buttonRoles, defaultRoleValue } from './defaults.ts';
