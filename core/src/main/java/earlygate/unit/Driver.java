package earlygate.unit;

/** What turns a pump; speeds in rev/s, power in W. */
public sealed interface Driver extends Component permits Electric, Engine {
    double ratedPower();

    double noLoadSpeed();

    /** At rated power; for an engine, at high idle whatever speed is chosen. */
    double ratedSpeed();

    double serviceFactor();
}
