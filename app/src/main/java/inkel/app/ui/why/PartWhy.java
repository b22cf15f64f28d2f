package inkel.app.ui.why;

import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.words.Numbers;
import inkel.app.words.PartWords;
import inkel.app.words.WakeWords;
import inkel.app.words.Words;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Programming;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What is said of a part or of a class: its figures, what it wants, how to see that it is alive. */
final class PartWhy {
    private PartWhy() {}

    static List<Section> sections(Placed placed) {
        PartClass cls = placed.cls();
        List<Section> sections = new ArrayList<>();
        sections.add(Section.ofFigures(Words.get("why.numbers"), numbers(placed)));
        List<String> care = PartWords.care(cls, placed.hazards());
        if (!care.isEmpty()) {
            sections.add(Section.ofLines(
                    Words.get("why.care"),
                    care.stream().map(said -> new Line(Tone.PLAIN, said)).toList()));
        }
        List<Line> alive = cls.handling().checks().stream()
                .map(check -> new Line(Tone.PLAIN, WakeWords.say(check)))
                .toList();
        if (!alive.isEmpty()) {
            sections.add(Section.ofLines(Words.get("why.alive"), alive));
        }
        cls.controller()
                .filter(controller -> !controller.claims().isEmpty())
                .ifPresent(controller -> sections.add(Section.ofLines(
                        Words.get("why.claims"),
                        controller.claims().stream()
                                .map(claim -> new Line(
                                        Tone.PLAIN,
                                        Words.say(Fact.of("why.claim")
                                                .with("use", claim.use())
                                                .with("timer", claim.timer()))))
                                .toList())));
        cls.controller()
                .filter(controller -> !controller.programs().isEmpty())
                .ifPresent(controller -> sections.add(Section.ofLines(
                        Words.get("why.programs"),
                        controller.programs().stream()
                                .map(way -> new Line(Tone.PLAIN, Words.say(programs(way))))
                                .toList())));
        List<Line> synonyms = cls.pins().stream()
                .filter(pin -> !pin.also().isEmpty())
                .map(pin -> new Line(
                        Tone.PLAIN,
                        Words.say(Fact.of("why.also")
                                .with("pin", pin.label())
                                .with("also", String.join(", ", pin.also())))))
                .toList();
        if (!synonyms.isEmpty()) {
            sections.add(Section.ofLines(Words.get("why.silk"), synonyms));
        }
        return sections;
    }

    private static Fact programs(Programming way) {
        Fact said = Fact.of(way.held().isPresent() ? "why.program_held" : "why.program")
                .with("way", way.way())
                .with(
                        "lines",
                        way.lines().entrySet().stream()
                                .map(line -> line.getKey() + " " + line.getValue())
                                .toList());
        return way.held().map(pin -> said.with("held", pin)).orElse(said);
    }

    private static List<Row> numbers(Placed placed) {
        PartClass cls = placed.cls();
        List<Row> rows = new ArrayList<>();
        rows.add(new Row(Words.get("figure.class"), cls.name(), ""));
        cls.controller().ifPresent(board -> {
            String source = Words.get(placed.part().has(Settings.CLOCK) ? "source.yours" : "source.class");
            rows.add(new Row(Words.get("figure.clock"), Words.show(board.clock()), source));
            // What is left to the class is the first of its choices.
            placed.own(Settings.CLOCK)
                    .or(() -> board.clocks().stream().findFirst())
                    .filter(choice -> !choice.startUp().isEmpty())
                    .ifPresent(choice -> rows.add(new Row(Words.get("figure.start_up"), choice.startUp(), "")));
        });
        for (Supply supply : cls.supplies()) {
            Figure<Voltage> range = supply.range();
            String source = Words.get("source." + range.source().name().toLowerCase(Locale.ROOT));
            rows.add(new Row(
                    Words.get("figure.supply", "pin", supply.pin()),
                    Numbers.local(String.valueOf(range.range().lowest().volts())) + "–"
                            + Numbers.print(range.range().highest()),
                    source));
            String current = PartWords.current(placed, supply.pin());
            if (!current.isEmpty()) {
                rows.add(new Row(Words.get("figure.current", "pin", supply.pin()), current, source));
            }
        }
        cls.outputs()
                .forEach(output -> rows.add(new Row(
                        Words.get("figure.gives", "pin", output.pin()),
                        Words.say(Fact.of("figure.up_to")
                                .with("rating", output.rating().range().lowest())),
                        Words.get("source.class"))));
        cls.io()
                .forEach(family -> rows.add(new Row(
                        Words.get("figure.bears", "pins", family.name()),
                        Numbers.local(family.absoluteMax().toString()),
                        Words.get("source." + family.source().name().toLowerCase(Locale.ROOT)))));
        cls.spi()
                .ifPresent(spi -> rows.add(new Row(
                        Words.get("figure.bus"),
                        Words.say(Fact.of("figure.spi").with("mode", spi.mode()).with("clock", spi.clockMax())),
                        Words.get("source.class"))));
        cls.i2c()
                .ifPresent(i2c -> rows.add(new Row(
                        Words.get("figure.bus"),
                        Words.say(Fact.of("figure.i2c")
                                .with(
                                        "address",
                                        Engineering.address(placed.address().orElseThrow()))
                                .with("clock", i2c.clockMax())),
                        placed.part().has(Settings.ADDRESS) ? Words.get("source.yours") : Words.get("source.class"))));
        placed.answersAt()
                .ifPresent(address -> rows.add(new Row(
                        Words.get("figure.answers_at"), Engineering.address(address), Words.get("source.yours"))));
        placed.baud()
                .ifPresent(baud -> rows.add(new Row(
                        Words.get("figure.bus"),
                        Words.get("figure.uart", "baud", Math.round(baud.hertz())),
                        placed.part().has(Settings.BAUD) ? Words.get("source.yours") : Words.get("source.class"))));
        cls.pwm()
                .ifPresent(pwm -> rows.add(new Row(
                        Words.get("figure.pulses"),
                        Words.say(Fact.of("figure.pwm")
                                .with("from", pwm.pulse().lowest())
                                .with("to", pwm.pulse().highest())
                                .with("frequency", pwm.frequency())),
                        Words.get("source.class"))));
        cls.bursts()
                .forEach(burst -> rows.add(new Row(
                        Words.get("figure.burst"),
                        Words.say(Fact.of("figure.burst.shape")
                                .with("current", burst.current().range().highest())
                                .with("time", burst.time())
                                .with("period", burst.period())),
                        Words.get("source.class"))));
        if (placed.isChip() || cls.handling().outline().hasHeader()) {
            rows.add(new Row(
                    Words.get("figure.form"),
                    Words.get(
                            placed.isChip()
                                    ? "figure.form.chip"
                                    : placed.isHeaderLoose() ? "figure.form.loose" : "figure.form.ready"),
                    ""));
        }
        placed.part()
                .typed(Settings.CONTACT)
                .ifPresent(contact ->
                        rows.add(new Row(Words.get("figure.contact"), Words.get("figure.contact." + contact), "")));
        cls.decoupling()
                .forEach(wanted -> rows.add(new Row(
                        Words.get("figure.wants_close", "pin", wanted.pin()),
                        Numbers.print(wanted.value()),
                        Words.get("source.class"))));
        return rows;
    }
}
