/** What may be told of a window that somebody uses. */
export const followedKinds = ["focus", "pointer", "key", "click", "change", "said", "page"] as const;
export type FollowedKind = (typeof followedKinds)[number];

/** What is told where nobody says otherwise. */
export const usualKinds: readonly FollowedKind[] = ["focus", "pointer", "said", "page"];
