package inkel.core.checks;

import inkel.core.circuit.Rail;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.log.Did;
import inkel.core.log.PlanChanges;
import inkel.core.power.BatteryReport;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Two states of a build side by side.
 *
 * @param plan what was done to the plan
 * @param numbers what its numbers became, each with what it was
 * @param gone verdicts that no longer hold; notes are not counted
 * @param come verdicts that hold since
 */
public record Compared(List<Did> plan, List<Told> numbers, List<Finding> gone, List<Finding> come) {
    /** A number that moves by less than this share is the same. */
    private static final double LEAST_SHARE = 0.01;

    private static final double SECONDS_OF_HOUR = 3600;

    public Compared {
        plan = List.copyOf(plan);
        numbers = List.copyOf(numbers);
        gone = List.copyOf(gone);
        come = List.copyOf(come);
    }

    /** A number at a place. */
    public record Told(Place place, Fact what) {}

    public boolean isSame() {
        return plan.isEmpty() && numbers.isEmpty() && gone.isEmpty() && come.isEmpty();
    }

    public static Compared of(Assessment before, Assessment after) {
        return new Compared(
                PlanChanges.between(before.build(), after.build()),
                numbers(before, after),
                gone(before, after),
                come(before, after));
    }

    /** What is left of a verdict on several parts keeps it from being gone. */
    private static List<Finding> gone(Assessment before, Assessment after) {
        Set<String> left = keys(after);
        return told(before)
                .filter(finding -> keys(finding).noneMatch(left::contains))
                .toList();
    }

    /** A verdict that has come to one part more is told anew. */
    private static List<Finding> come(Assessment before, Assessment after) {
        Set<String> known = keys(before);
        return told(after)
                .filter(finding -> !keys(finding).allMatch(known::contains))
                .toList();
    }

    private static Stream<Finding> told(Assessment assessment) {
        return assessment.findings().stream().filter(finding -> finding.severity() != Severity.NOTE);
    }

    private static Set<String> keys(Assessment assessment) {
        return assessment.findings().stream().flatMap(Compared::keys).collect(Collectors.toSet());
    }

    /** The same verdict, though its numbers may have moved. */
    private static Stream<String> keys(Finding finding) {
        return finding.places().stream().map(place -> finding.rule().code() + " " + finding.severity() + " " + place);
    }

    private static List<Told> numbers(Assessment before, Assessment after) {
        List<Told> told = new ArrayList<>();
        Map<Place, Rail> rails = rails(before);
        rails(after).forEach((place, now) -> {
            Rail was = rails.get(place);
            if (was != null && isOther(was.peak().amperes(), now.peak().amperes())) {
                told.add(new Told(
                        place, Fact.of("compared.peak").with("was", was.peak()).with("is", now.peak())));
            }
        });
        Map<Place, Double> hours = hours(before);
        hours(after).forEach((place, now) -> {
            Double was = hours.get(place);
            if (was != null && isOther(was, now)) {
                told.add(new Told(
                        place,
                        Fact.of("compared.hours")
                                .with("was", TimeSpan.ofSeconds(was * SECONDS_OF_HOUR))
                                .with("is", TimeSpan.ofSeconds(now * SECONDS_OF_HOUR))));
            }
        });
        return told;
    }

    private static boolean isOther(double was, double is) {
        return Math.abs(is - was) > LEAST_SHARE * Math.max(Math.abs(was), Math.abs(is));
    }

    private static Map<Place, Rail> rails(Assessment of) {
        Map<Place, Rail> rails = new LinkedHashMap<>();
        for (PowerReport.RailBudget budget : of.reports().power().budgets()) {
            rails.put(budget.node().place(budget.rail().id()), budget.rail());
        }
        return rails;
    }

    private static Map<Place, Double> hours(Assessment of) {
        Map<Place, Double> hours = new LinkedHashMap<>();
        for (BatteryReport battery : of.reports().power().batteries()) {
            OptionalDouble lasts = battery.hours();
            if (lasts.isPresent()) {
                hours.put(battery.node().place(battery.placed()), lasts.getAsDouble());
            }
        }
        return hours;
    }
}
