package earlygate.day;

import static earlygate.fixture.Units.lg07;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import earlygate.day.DaySheet.Entry;
import earlygate.day.Job.Stretch;
import earlygate.fixture.Plans;
import earlygate.plan.Plan;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The day of a job: the partner's hours, what is wanted twice, figures by hand. */
class DaySheetTest {
    private static Job job(String tag, int minutes, Set<String> instruments, Stretch... partner) {
        return new Job(tag, minutes, List.of(partner), instruments);
    }

    @Test
    void aPlanBecomesAJobWithThePartnersHours() {
        Plan plan = Plans.of(lg07());
        Job job = Job.of("LG-07", plan, Set.of("G1"));
        double all = plan.steps().stream().mapToDouble(s -> s.minutes()).sum();
        assertThat(job.minutes()).isBetween((int) all, (int) all + 1);
        assertThat(job.partner())
                .isNotEmpty()
                .allSatisfy(s -> assertThat(s.to()).isLessThanOrEqualTo(job.minutes()));
    }

    @Test
    void whatIsWantedTwiceIsHadOneAfterTheOther() {
        Job a = job("A", 60, Set.of("gauge"), new Stretch(50, 60));
        Job b = job("B", 60, Set.of("gauge"));
        Job c = job("C", 60, Set.of("other"), new Stretch(50, 60));
        assertThat(DaySheet.of(List.of(a, b), 2).minutes()).isEqualTo(120);
        assertThat(DaySheet.of(List.of(a, c), 2).minutes()).isEqualTo(70);
        assertThat(DaySheet.of(List.of(b, c), 2).minutes()).isEqualTo(60);
        assertThat(DaySheet.of(List.of(b, c), 1).minutes()).isEqualTo(120);
        assertThat(DaySheet.of(List.of(), 1).entries()).isEmpty();
        assertThatThrownBy(() -> DaySheet.of(List.of(a), 0)).hasMessageContaining("at least one technician");
    }

    /** Random days: every job once, nobody at two places, no instrument and no partner wanted twice at a time. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void noDayHasAClash(int seed) {
        Random r = new Random(seed);
        List<Job> jobs = new ArrayList<>();
        for (int i = 0; i < 2 + r.nextInt(7); i++) {
            int minutes = 30 + r.nextInt(120);
            int from = r.nextInt(minutes - 20);
            jobs.add(job(
                    "U" + i,
                    minutes,
                    Set.of("G" + r.nextInt(4), "G" + (4 + r.nextInt(4))),
                    new Stretch(from, from + 15)));
        }
        int technicians = 1 + r.nextInt(3);
        DaySheet day = DaySheet.of(jobs, technicians);
        assertThat(day.entries()).extracting(Entry::job).containsExactlyInAnyOrderElementsOf(jobs);
        int alone = jobs.stream().mapToInt(Job::minutes).sum();
        assertThat(day.minutes()).isLessThanOrEqualTo(alone + 5 * jobs.size());
        for (Entry a : day.entries()) {
            for (Entry b : day.entries()) {
                if (a == b) {
                    continue;
                }
                boolean together = a.start() < b.end() && b.start() < a.end();
                if (together) {
                    assertThat(a.technician()).isNotEqualTo(b.technician());
                    assertThat(a.job().instruments())
                            .doesNotContainAnyElementsOf(b.job().instruments());
                }
                for (Stretch x : a.job().partner()) {
                    for (Stretch y : b.job().partner()) {
                        boolean twice =
                                x.from() + a.start() < y.to() + b.start() && y.from() + b.start() < x.to() + a.start();
                        assertThat(twice)
                                .as(
                                        "%s and %s want the partner",
                                        a.job().tag(), b.job().tag())
                                .isFalse();
                    }
                }
            }
        }
    }
}
