package earlygate.ladder;

/** The relations of the ladder, numbered as in docs/rules.md. */
public enum Rung {
    L1,
    L2,
    L3,
    L4,
    L5,
    L6,
    L7,
    L8,
    L9,
    L10,
    L11,
    L12,
    L13
}
