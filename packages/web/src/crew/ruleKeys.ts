/** What shows rules: read again when one was changed. */
export const RULE_KEYS = [['rules'], ['desk'], ['beginnings'], ['deck']] as const;
