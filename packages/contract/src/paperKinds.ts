/** What people carry that ends some day. */
export const PAPER_KINDS = ['licence', 'first aid', 'radio', 'medical', 'insurance', 'other'] as const;
