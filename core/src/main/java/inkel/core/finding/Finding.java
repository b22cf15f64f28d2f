package inkel.core.finding;

import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import org.slf4j.LoggerFactory;

/** Something that is wrong, thin or worth a thought. Two are equal when they say the same of the same place. */
public final class Finding {
    private final RuleInfo rule;
    private final Severity severity;
    private final List<Place> places;
    private final Fact sentence;
    private final List<Evidence> evidence;
    private Supplier<List<Fix>> waysOut;
    private volatile List<Fix> fixes;

    private Finding(
            RuleInfo rule,
            Severity severity,
            List<Place> places,
            Fact sentence,
            List<Evidence> evidence,
            Supplier<List<Fix>> waysOut) {
        this.rule = rule;
        this.severity = severity;
        this.places = List.copyOf(places);
        this.sentence = sentence;
        this.evidence = List.copyOf(evidence);
        this.waysOut = waysOut;
    }

    /** The same with other ways out, made of its own when they are asked for. */
    public Finding with(UnaryOperator<List<Fix>> change) {
        return new Finding(rule, severity, places, sentence, evidence, () -> change.apply(fixes()));
    }

    public RuleInfo rule() {
        return rule;
    }

    public Place place() {
        return places.get(0);
    }

    /** Where it is: the first is the place that it is shown at, the others have the same cause. */
    public List<Place> places() {
        return places;
    }

    /** The verdict, its key the code or the code with a variant behind it. */
    public Fact sentence() {
        return sentence;
    }

    /** The figures in the order of the arithmetic. */
    public List<Evidence> evidence() {
        return evidence;
    }

    /**
     * The ways out, best first. They are worked out when they are first asked for: that takes far longer than finding
     * out that something is wrong, and most findings are never looked at. None where working them out fails.
     */
    public List<Fix> fixes() {
        if (fixes == null) {
            workOut();
        }
        return fixes;
    }

    private synchronized void workOut() {
        if (fixes != null) {
            return;
        }
        try {
            fixes = List.copyOf(waysOut.get());
        } catch (RuntimeException mistake) {
            LoggerFactory.getLogger(Finding.class).error("ways out of {} failed", code(), mistake);
            fixes = List.of();
        }
        // What they were worked out from need not be kept any longer.
        waysOut = null;
    }

    public String code() {
        return rule.code();
    }

    /** That of the rule, or milder where the finding is less grave than the rule can be. */
    public Severity severity() {
        return severity;
    }

    public static Builder of(RuleInfo rule, Place place) {
        return of(rule, List.of(place));
    }

    /** @param places at least one, the one that it is shown at first; the others have the same cause */
    public static Builder of(RuleInfo rule, List<Place> places) {
        return new Builder(rule, places, Fact.of(rule.code()));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Finding that
                && rule.equals(that.rule)
                && severity == that.severity
                && places.equals(that.places)
                && sentence.equals(that.sentence)
                && evidence.equals(that.evidence);
    }

    @Override
    public int hashCode() {
        return Objects.hash(rule, places, sentence);
    }

    @Override
    public String toString() {
        return place() + ": " + sentence;
    }

    /** Gathers a finding. */
    public static final class Builder {
        private final RuleInfo rule;
        private final List<Place> places;
        private final List<Evidence> evidence = new ArrayList<>();
        private final List<Supplier<List<Fix>>> waysOut = new ArrayList<>();
        private Fact sentence;
        private Severity severity;

        private Builder(RuleInfo rule, List<Place> places, Fact sentence) {
            this.rule = rule;
            severity = rule.severity();
            this.places = places;
            this.sentence = sentence;
        }

        /** Takes another sentence of the same code. */
        public Builder variant(String name) {
            sentence = new Fact(rule.code() + "." + name, sentence.values());
            return this;
        }

        /** Says that it fails only in the corner: to look at, where the rule itself would stop. */
        public Builder onlyToLookAt() {
            severity = Severity.LOOK;
            return this;
        }

        /** Says that the builder knows and wants it so: worth a thought, where the rule itself would ask for a look. */
        public Builder onlyToKnow() {
            severity = Severity.NOTE;
            return this;
        }

        /** Puts names in the sentence: the one itself where there is but one, else all as a list. */
        public Builder withAll(String name, List<String> values) {
            return with(name, values.size() == 1 ? values.get(0) : values);
        }

        /** Puts a name or a bare number in the sentence. */
        public Builder with(String name, Object value) {
            sentence = sentence.with(name, value);
            return this;
        }

        /** Adds a figure to the arithmetic, where the sentence may use it too. */
        public Builder number(String key, Quantity value, Source source) {
            evidence.add(new Evidence(key, value, source));
            return with(key, value);
        }

        /** Adds a way out that takes no working out. */
        public Builder fix(Fix fix) {
            waysOut.add(() -> List.of(fix));
            return this;
        }

        /** Adds a way out, if there is one when it is asked for. */
        public Builder fix(Supplier<Optional<Fix>> fix) {
            waysOut.add(() -> fix.get().stream().toList());
            return this;
        }

        /** Adds ways out, which are worked out when they are asked for. */
        public Builder fixes(Supplier<List<Fix>> more) {
            waysOut.add(more);
            return this;
        }

        public Finding build() {
            List<Supplier<List<Fix>>> all = List.copyOf(waysOut);
            return new Finding(rule, severity, places, sentence, evidence, () -> {
                List<Fix> fixes = new ArrayList<>();
                all.forEach(some -> fixes.addAll(some.get()));
                return fixes;
            });
        }
    }
}
