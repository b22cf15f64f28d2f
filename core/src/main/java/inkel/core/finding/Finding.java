package inkel.core.finding;

import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Something that is wrong, thin or worth a thought.
 *
 * @param sentence the verdict, its key the code or the code with a variant behind it
 * @param evidence the figures in the order of the arithmetic
 * @param fixes best first
 */
public record Finding(RuleInfo rule, Place place, Fact sentence, List<Evidence> evidence, List<Fix> fixes) {
    public Finding {
        evidence = List.copyOf(evidence);
        fixes = List.copyOf(fixes);
    }

    public String code() {
        return rule.code();
    }

    public Severity severity() {
        return rule.severity();
    }

    public static Builder of(RuleInfo rule, Place place) {
        return new Builder(rule, place, Fact.of(rule.code()));
    }

    /** Gathers a finding. */
    public static final class Builder {
        private final RuleInfo rule;
        private final Place place;
        private final List<Evidence> evidence = new ArrayList<>();
        private final List<Fix> fixes = new ArrayList<>();
        private Fact sentence;

        private Builder(RuleInfo rule, Place place, Fact sentence) {
            this.rule = rule;
            this.place = place;
            this.sentence = sentence;
        }

        /** Takes another sentence of the same code. */
        public Builder variant(String name) {
            sentence = new Fact(rule.code() + "." + name, sentence.values());
            return this;
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

        public Builder fix(Fix fix) {
            fixes.add(fix);
            return this;
        }

        /** Adds nothing when there is no such way out. */
        public Builder fix(Optional<Fix> fix) {
            fix.ifPresent(fixes::add);
            return this;
        }

        public Builder fixes(List<Fix> more) {
            fixes.addAll(more);
            return this;
        }

        public Finding build() {
            return new Finding(rule, place, sentence, evidence, fixes);
        }
    }
}
