package earlygate.plan;

import earlygate.quantity.Keyed;

/** Of a sectional valve: port reliefs after the pump line, highest first; or before it, where the main stands above all. */
public enum SectionOrder implements Keyed {
    HIGHEST_FIRST,
    BRANCHES_FIRST
}
