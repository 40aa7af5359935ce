package earlygate.ladder;

import java.util.List;

/** One relation of the handbook's ladder: a pure function from a unit to what is wrong with it. */
interface Rule {
    List<Finding> check(LadderInput stage);
}
