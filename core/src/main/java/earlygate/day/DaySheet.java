package earlygate.day;

import earlygate.day.Job.Stretch;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;

/**
 * A day of jobs for some technicians who share one partner and the instruments. Of all orders of up to seven jobs the one
 * that is done first wins; more are taken longest first.
 *
 * @param entries by start
 * @param minutes until the last one is done
 */
public record DaySheet(List<Entry> entries, int minutes) {
    private static final int MOST_PERMUTED = 7;
    /** Starts are tried at this grain, minutes. */
    private static final int GRAIN = 5;

    /** @param start minutes after the day begins; {@code technician} from 1 */
    public record Entry(Job job, int technician, int start) {
        int end() {
            return start + job.minutes();
        }

        private boolean clashes(Entry other) {
            boolean together = new Stretch(start, end()).meets(new Stretch(other.start, other.end()));
            boolean instrument = together && !Collections.disjoint(job.instruments(), other.job.instruments());
            return instrument
                    || job.partner().stream()
                            .anyMatch(a -> other.job.partner().stream()
                                    .anyMatch(b -> a.at(start).meets(b.at(other.start))));
        }
    }

    /** @throws IllegalArgumentException when there is nobody to do it */
    public static DaySheet of(List<Job> jobs, int technicians) {
        if (technicians < 1) {
            throw new IllegalArgumentException("A day needs at least one technician, not " + technicians);
        }
        List<Job> longestFirst = jobs.stream()
                .sorted(Comparator.comparingInt(Job::minutes).reversed().thenComparing(Job::tag))
                .toList();
        if (jobs.size() > MOST_PERMUTED) {
            return inOrder(longestFirst, technicians);
        }
        DaySheet[] best = {inOrder(longestFirst, technicians)};
        permute(new ArrayList<>(longestFirst), 0, order -> {
            DaySheet found = inOrder(order, technicians);
            if (found.minutes() < best[0].minutes()) {
                best[0] = found;
            }
        });
        return best[0];
    }

    private interface Visit {
        void order(List<Job> order);
    }

    private static void permute(List<Job> jobs, int from, Visit visit) {
        if (from == jobs.size()) {
            visit.order(jobs);
            return;
        }
        for (int i = from; i < jobs.size(); i++) {
            Collections.swap(jobs, from, i);
            permute(jobs, from + 1, visit);
            Collections.swap(jobs, from, i);
        }
    }

    /** Each job with whoever is free first, as early as nobody and nothing is wanted twice. */
    private static DaySheet inOrder(List<Job> order, int technicians) {
        int[] free = new int[technicians];
        List<Entry> entries = new ArrayList<>();
        for (Job job : order) {
            int who = 0;
            for (int t = 1; t < technicians; t++) {
                who = free[t] < free[who] ? t : who;
            }
            Entry entry = new Entry(job, who + 1, free[who]);
            while (clashes(entry, entries)) {
                entry = new Entry(job, who + 1, entry.start() + GRAIN);
            }
            entries.add(entry);
            free[who] = entry.end();
        }
        int end = entries.stream().mapToInt(Entry::end).max().orElse(0);
        return new DaySheet(
                entries.stream().sorted(Comparator.comparingInt(Entry::start)).toList(), end);
    }

    private static boolean clashes(Entry entry, List<Entry> others) {
        return others.stream().anyMatch(entry::clashes);
    }
}
