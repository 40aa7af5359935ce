package earlygate.judge;

import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.file.UnitFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * A relief backed out while a compensator holds the line, by the closed form of its balance and noise of its own: full
 * x (s - p)/b less k p is what passes the relief, (p - c) Qr/o. bar, L/min, s.
 */
final class ReliefMachine {
    private static final double LAG_S = 0.08;

    final double target;
    final boolean pilot;
    final double override;
    final double ratedFlow;
    final double full;
    final double band;
    final double leak;
    final boolean amps;
    final boolean turnsTold;
    final double rate;
    final double noise;
    final double slope;
    final double dataSlope;
    final double rated;
    final double ratedCurrent;
    final double displacement;
    final double ratedPressure;
    private final double began;
    private final Random random;
    private final double stands;
    private final double driftS;
    private final double driftLeak;
    private final double currentNoise;
    private final boolean knocks;
    private double bump;
    private double bumpTau = 0.1;
    private double setting;
    private double lagged;
    private double time;
    final List<double[]> samples = new ArrayList<>();
    final List<double[]> turns = new ArrayList<>();
    double crackedAt = -1;
    double held;
    double past;

    ReliefMachine(long seed) {
        random = new Random(seed * 0x9E3779B97F4A7C15L);
        displacement = u(16, 100);
        double efficiency = u(0.9, 0.96);
        full = displacement * 1455 / 1000;
        band = u(2, 10);
        target = u(100, 300);
        ratedPressure = target / 0.9 * u(1, 1.3);
        leak = full * (1 - efficiency) / ratedPressure;
        pilot = random.nextBoolean();
        override = target * (pilot ? u(0.02, 0.06) : u(0.1, 0.25));
        ratedFlow = full * u(1, 2);
        rated = u(0.7, 1.4) * full * target / 600 / 0.9;
        ratedCurrent = 1.9 * rated;
        stands = target * (1 + 0.005 * random.nextGaussian());
        dataSlope = u(20, 60);
        slope = dataSlope * u(0.7, 1.3);
        began = target + u(0.5, 2) * dataSlope;
        setting = began;
        driftS = u(-0.15, 0.15) / 100 / 60;
        driftLeak = u(0, 0.1) / 60;
        noise = target * 0.0005 * Math.pow(10, random.nextDouble());
        currentNoise = 0.004 * Math.pow(5, random.nextDouble());
        rate = random.nextBoolean() ? 5 : 20;
        knocks = random.nextBoolean();
        amps = random.nextInt(3) > 0;
        turnsTold = random.nextInt(4) > 0;
        lagged = balance();
    }

    private double u(double from, double to) {
        return from + (to - from) * random.nextDouble();
    }

    private double balance() {
        double s = stands * (1 + driftS * time);
        double k = leak * (1 + driftLeak * time);
        double low = 0;
        double high = s;
        for (int i = 0; i < 60; i++) {
            double p = (low + high) / 2;
            double left = full * Math.min(1, Math.max(0, (s - p) / band))
                    - k * p
                    - Math.max(0, p - setting) * ratedFlow / override;
            if (left > 0) {
                low = p;
            } else {
                high = p;
            }
        }
        return (low + high) / 2;
    }

    /** Runs on, the screw going by {@code turn} meanwhile. */
    void run(double seconds, double turn) {
        int n = (int) Math.max(1, Math.round(seconds * rate));
        double fine = 1 / rate;
        for (int i = 0; i < n; i++) {
            time += fine;
            double before = setting;
            setting += turn * slope / n;
            double p = balance();
            if (crackedAt < 0 && setting < p) {
                crackedAt = time;
                held = p;
            }
            if (crackedAt >= 0) {
                past += (before - setting) / slope;
            }
            lagged += (p - lagged) * (1 - Math.exp(-fine / LAG_S));
            if (knocks && random.nextDouble() < fine / 40) {
                bump = target * u(0.01, 0.05) * (random.nextBoolean() ? 1 : -1);
                bumpTau = u(0.05, 0.35);
            }
            bump *= Math.exp(-fine / bumpTau);
            double stroke = Math.min(1, Math.max(0, (stands * (1 + driftS * time) - lagged) / band));
            double power = (full * stroke * lagged / 600 + 0.03 * full * target / 600) / 0.92;
            double idle = 0.38 * ratedCurrent;
            double current =
                    Math.sqrt(idle * idle + (ratedCurrent * ratedCurrent - idle * idle) * Math.pow(power / rated, 2));
            samples.add(new double[] {
                time,
                Math.round((lagged + bump + noise * random.nextGaussian()) * 10) / 10.0,
                Math.round(current * (1 + currentNoise * random.nextGaussian()) * 10) / 10.0
            });
        }
    }

    /** The hand turns out by what it means, 15 % off, and pauses. */
    void turn(double meant) {
        run(u(0.4, 1.6), -meant * (1 + 0.15 * random.nextGaussian()));
        turns.add(new double[] {time, -meant});
    }

    void stand() {
        run(new double[] {6, 20, 60, 180}[random.nextInt(4)] * u(0.9, 1.1), 0);
    }

    double pause() {
        return u(2, 6);
    }

    double setting() {
        return setting;
    }

    /** Of what the screw falls, the gauge falls by so much past the crack. */
    double share() {
        return ratedFlow / override / (ratedFlow / override + full / band + leak);
    }

    /** What the hand turns next: large while the nominal crack is far, smaller towards it. */
    double nextTurn(double made) {
        double way = (began - target) / dataSlope;
        return made < 0.4 * way ? 0.25 : made < 0.7 * way ? 0.125 : 0.0625;
    }

    /** As its drawing has it: exact but for where the compensator stands, the relief's slope, and how far that was turned. */
    PowerUnit unit() {
        String text = """
                {"format":"early-gate/unit/1","tag":"RM","name":"machine",
                 "lines":[{"id":"P","ratingBar":600}],
                 "fluid":{"name":"oil","viscosity40":46,"viscosityIndex":100,"bandC":[40,60],"tankL":120},
                 "components":[
                 {"id":"M1","type":"electric-motor","ratedPowerKw":%f,"syncSpeedRpm":1455.01,"ratedSpeedRpm":1455,
                  "ratedCurrentA":%f,"noLoadCurrentA":%f},
                 {"id":"P1","type":"pump","driver":"M1","inlet":"T","outlet":"P","displacementCm3":%f,
                  "ratedPressureBar":%f,"maxPressureBar":600,"volumetricEfficiency":%f,"hydromechanicalEfficiency":0.92,
                  "compensator":{"settingBar":%f,"bandBar":%f,"rangeBar":[20,600],"barPerTurn":45}},
                 {"id":"RV1","type":"relief-valve","acting":"%s","inlet":"P","outlet":"T","settingBar":%f,
                  "overrideBar":%f,"ratedFlowLpm":%f,"rangeBar":[10,600],"barPerTurn":%f}],
                 "testPoints":[{"id":"G1","line":"P","rangeBar":600,"class":0.6,"reads":"bar"}]}""".formatted(
                        rated,
                        ratedCurrent,
                        0.38 * ratedCurrent,
                        displacement,
                        ratedPressure,
                        1 - leak * ratedPressure / full,
                        target,
                        band,
                        pilot ? "pilot" : "direct",
                        began,
                        override,
                        ratedFlow,
                        dataSlope);
        return ((UnitFile.Reading.Read) UnitFile.read(text)).unit();
    }

    Optional<ReliefEstimate> place(CrackSearch crack) {
        PowerUnit unit = unit();
        double bar = 1e5;
        List<ReliefEstimate.Turned> told = turnsTold
                ? turns.stream().map(t -> new ReliefEstimate.Turned(t[0], t[1])).toList()
                : List.of();
        return ReliefEstimate.of(
                Model.of(unit),
                Situation.AS_THE_FILE.withOil(313.15),
                "RV1",
                new ReliefEstimate.Stream(
                        samples.stream().mapToDouble(s -> s[0]).toArray(),
                        samples.stream().mapToDouble(s -> s[1] * bar).toArray(),
                        amps
                                ? Optional.of(
                                        samples.stream().mapToDouble(s -> s[2]).toArray())
                                : Optional.empty()),
                told,
                new CrackSearch(crack.atS(), crack.held() * bar, crack.heldError() * bar));
    }

    Optional<CrackSearch> asked() {
        double[] t = samples.stream().mapToDouble(s -> s[0]).toArray();
        double[] p = samples.stream().mapToDouble(s -> s[1]).toArray();
        Optional<double[]> a =
                amps ? Optional.of(samples.stream().mapToDouble(s -> s[2]).toArray()) : Optional.empty();
        return CrackSearch.in(t, p, a);
    }
}
