package inkel.core.tune.serial;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Tuning;
import inkel.core.formula.PositionSentence;
import inkel.core.quantity.Source;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What was heard of a part at each rate. Where a positioning receiver is, is shown and never kept: it is where its builder
 * lives.
 *
 * @param tried what came at each rate, in baud
 * @param rate the one at which it was understood
 */
public record SerialDraft(SerialRig rig, Map<Integer, Heard> tried, Optional<Integer> rate, Sentences sentences)
        implements Draft {
    private static final String BAUD = "baud";

    /** A letter that is none, as the line tells it. */
    private static final char NO_LETTER = '\uFFFD';

    public SerialDraft {
        tried = Map.copyOf(tried);
    }

    /** What came at a rate. */
    public enum Heard {
        SILENCE,
        NONSENSE,
        /** Letters, but no answer to what was asked. */
        OTHER,
        RIGHT
    }

    /**
     * What a positioning receiver said.
     *
     * @param good sentences with a right check
     * @param bad those with a wrong one
     * @param without how many came before the first fix
     * @param last the latest fix
     */
    public record Sentences(int good, int bad, int without, Optional<PositionSentence.Fix> last) {
        static final Sentences NONE = new Sentences(0, 0, 0, Optional.empty());

        private Sentences with(String line) {
            if (!line.startsWith("$")) {
                return this;
            }
            Optional<PositionSentence> sentence = PositionSentence.parse(line);
            if (sentence.isEmpty()) {
                return new Sentences(good, bad + 1, without, last);
            }
            Optional<PositionSentence.Fix> fix = sentence.get().fix();
            boolean isBefore = last.isEmpty() && fix.isEmpty();
            return new Sentences(good + 1, bad, isBefore ? without + 1 : without, fix.or(() -> last));
        }

        /** In degrees, north above zero. */
        public Optional<Double> latitude() {
            return last.map(PositionSentence.Fix::latitude);
        }

        /** In degrees, east above zero. */
        public Optional<Double> longitude() {
            return last.map(PositionSentence.Fix::longitude);
        }

        public Optional<Integer> satellites() {
            return last.map(PositionSentence.Fix::satellites);
        }
    }

    public static Optional<SerialDraft> of(NodeCircuit node, Placed part, Optional<Tuning> kept) {
        return SerialRig.of(node, part)
                .map(rig -> new SerialDraft(
                        rig,
                        Map.of(),
                        kept.flatMap(tuning -> tuning.choice(BAUD))
                                .filter(baud -> baud.matches("[0-9]{3,7}"))
                                .map(Integer::valueOf),
                        Sentences.NONE));
    }

    /** With what came at a rate; no lines for silence. */
    public SerialDraft with(int baud, List<String> lines) {
        Heard heard = heard(lines);
        Map<Integer, Heard> more = new LinkedHashMap<>(tried);
        // What was understood once was at the right rate: a torn line does not undo that.
        if (more.get(baud) != Heard.RIGHT) {
            more.put(baud, heard);
        }
        Sentences all = sentences;
        if (rig.isPositioning()) {
            for (String line : lines) {
                all = all.with(line);
            }
        }
        return new SerialDraft(rig, more, heard == Heard.RIGHT ? Optional.of(baud) : rate, all);
    }

    private Heard heard(List<String> lines) {
        if (lines.stream().allMatch(String::isBlank)) {
            return Heard.SILENCE;
        }
        if (lines.stream().anyMatch(line -> line.indexOf(NO_LETTER) >= 0)) {
            return Heard.NONSENSE;
        }
        return lines.stream().anyMatch(line -> line.strip().startsWith(rig.expect())) ? Heard.RIGHT : Heard.OTHER;
    }

    /** Whether the plan has another rate than the part. */
    public boolean differs() {
        return rate.isPresent() && rig.planned().isPresent() && !rate.equals(rig.planned());
    }

    @Override
    public Tuning tuning() {
        Map<String, String> choices = new LinkedHashMap<>();
        rate.ifPresent(baud -> choices.put(BAUD, String.valueOf(baud)));
        return new Tuning(BenchKind.SERIAL, Map.of(), Map.of(), Map.of(), choices, Map.of());
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof SerialDraft serial && serial.rig.id().equals(rig.id());
    }

    @Override
    public Draft on(Draft fresh) {
        return new SerialDraft(((SerialDraft) fresh).rig, tried, rate, sentences);
    }

    @Override
    public List<Constant> constants() {
        return rate.map(baud -> List.of(new Constant(
                        Constant.identifier(rig.part(), "FOUND_BAUD"), String.valueOf(baud), Source.MEASURED)))
                .orElse(List.of());
    }
}
