package inkel.app.ui.why;

import inkel.app.words.Words;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What the Why panel says, without how it looks.
 *
 * @param verdict the box under the title; empty when there is nothing to judge
 * @param ways ways out, best first
 * @param actions what else can be done here, each an undoable change
 * @param others further findings at the same place, to choose from
 */
public record Why(
        String title,
        String subtitle,
        Optional<Verdict> verdict,
        List<Section> sections,
        List<Fix> ways,
        List<Fix> actions,
        List<Finding> others) {
    public Why {
        sections = List.copyOf(sections);
        ways = List.copyOf(ways);
        actions = List.copyOf(actions);
        others = List.copyOf(others);
    }

    Why(
            String title,
            String subtitle,
            Optional<Verdict> verdict,
            List<Section> sections,
            List<Fix> ways,
            List<Finding> others) {
        this(title, subtitle, verdict, sections, ways, List.of(), others);
    }

    Why withActions(List<Fix> newActions) {
        return new Why(title, subtitle, verdict, sections, ways, newActions, others);
    }

    /** All of it as plain text, one thing a line, as it is taken along. */
    public String text() {
        List<String> lines = new ArrayList<>();
        lines.add(title);
        if (!subtitle.isEmpty()) {
            lines.add(subtitle);
        }
        verdict.map(Verdict::sentence).ifPresent(lines::add);
        for (Section section : sections) {
            lines.add("");
            lines.add(section.title());
            section.rows()
                    .forEach(row -> lines.add("  " + row.name() + ": " + row.value()
                            + (row.source().isEmpty() ? "" : " (" + row.source() + ")")));
            section.lines().forEach(line -> lines.add("  " + line.text()));
        }
        if (!ways.isEmpty()) {
            lines.add("");
            ways.forEach(way -> lines.add("→ " + Words.say(way.title()) + ": " + Words.say(way.cost())));
        }
        return String.join("\n", lines) + "\n";
    }

    /** How grave a verdict is. */
    public enum Tone {
        GOOD,
        LOOK,
        STOP,
        PLAIN
    }

    /** One sentence, and how grave it is. */
    public record Verdict(Tone tone, String sentence) {}

    /** A heading with rows of figures or plain lines under it. */
    public record Section(String title, List<Row> rows, List<Line> lines, boolean isFigures) {
        public Section {
            rows = List.copyOf(rows);
            lines = List.copyOf(lines);
        }

        public static Section ofRows(String title, List<Row> rows) {
            return new Section(title, rows, List.of(), false);
        }

        public static Section ofLines(String title, List<Line> lines) {
            return new Section(title, List.of(), lines, false);
        }

        /** Figures, and under them what the verdict rests on. */
        static Section ofReason(String title, List<Row> rows, Line basis) {
            return new Section(title, rows, List.of(basis), false);
        }

        /** The figures of a part, behind which they can be changed. */
        public static Section ofFigures(String title, List<Row> rows) {
            return new Section(title, rows, List.of(), true);
        }
    }

    /** A figure: what, how much, from where. */
    public record Row(String name, String value, String source) {}

    /** A sentence in a section. */
    public record Line(Tone tone, String text) {}
}
