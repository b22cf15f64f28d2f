package inkel.app.ui.power;

import inkel.app.ui.why.StageNotes;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Reduction;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetMoment;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Fix;
import inkel.core.power.FeedLine;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.remedy.FeedCheck;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Room;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What the Why panel says of supplies beyond the parts themselves: heat, wires, and how a load may be fed otherwise. */
public final class PowerNotes implements StageNotes {
    @Override
    public boolean hasFigures() {
        return true;
    }

    private static String source(Source source) {
        return Words.get("source." + source.name().toLowerCase(Locale.ROOT));
    }

    private static Row row(String key, Object value, Source source) {
        return new Row(Words.get("number." + key), Words.show(value), source(source));
    }

    /** What the wires to a part lose; empty for a part that hangs on a cable of its own. */
    @Override
    public List<Section> sections(Assessment assessment, NodeCircuit node, Placed placed) {
        List<FeedLine> lines = assessment.reports().power().lines().stream()
                .filter(line -> line.node() == node && line.placed().id().equals(placed.id()))
                .toList();
        if (lines.isEmpty()) {
            return List.of();
        }
        List<Row> rows = new ArrayList<>();
        for (FeedLine line : lines) {
            Source told = line.wire().source();
            rows.add(new Row(
                    Words.get("power.wire", "pin", line.supply().pin()),
                    Words.say(Fact.of("power.wire.what")
                            .with("gauge", Numbers.print(line.wire().gauge(), inkel.core.quantity.Unit.ONE, 3))
                            .with("length", line.wire().length())),
                    source(told)));
            rows.add(row("drop", line.drop(), Source.COMPUTED));
            line.arrives().ifPresent(arrives -> rows.add(row("arrives", arrives, Source.COMPUTED)));
        }
        return List.of(Section.ofRows(Words.get("why.wires"), rows));
    }

    /** Other rails, lower settings, and a moment of its own. */
    @Override
    public List<Fix> actions(Assessment assessment, NodeCircuit node, Placed placed) {
        List<Fix> actions = new ArrayList<>();
        for (Supply supply : placed.cls().supplies()) {
            for (Rail rail : node.rails()) {
                if (FeedCheck.of(node, placed, supply, rail).isAllowed()) {
                    actions.add(feed(node, placed, supply, rail));
                }
            }
            if (placed.cls().mayStayUnfed(supply) && placed.part().feeds().containsKey(supply.pin())) {
                actions.add(unfeed(node, placed, supply));
            }
        }
        for (Reduction lower : placed.cls().demands().reductions()) {
            if (placed.own(Settings.TURNED_DOWN).filter(lower::equals).isEmpty()) {
                actions.add(turnDown(node, placed, lower));
            }
        }
        placed.part()
                .typed(Settings.TURNED_DOWN)
                .ifPresent(now -> actions.add(new Fix(
                        "turn-up",
                        Fact.of("action.turn_up").with("part", placed.part().name()),
                        Fact.of("action.turn_up.cost").with("setting", now),
                        List.of(new SetSetting(node.node().id(), placed.id(), Settings.TURNED_DOWN, null)))));
        moment(node, placed).ifPresent(actions::add);
        return actions;
    }

    private static Fix feed(NodeCircuit node, Placed placed, Supply supply, Rail rail) {
        return new Fix(
                "feed-" + supply.pin() + "-" + rail.id(),
                Fact.of("action.feed").with("pin", supply.pin()).with("rail", RailNames.of(node, rail.id())),
                Fact.of("action.feed.cost").with("room", Room.of(node, rail)),
                List.of(new Feed(node.node().id(), placed.id(), supply.pin(), rail.id())));
    }

    private static Fix unfeed(NodeCircuit node, Placed placed, Supply supply) {
        Fact rail = RailNames.of(node, placed.part().feeds().get(supply.pin()));
        return new Fix(
                "unfeed-" + supply.pin(),
                Fact.of("action.unfeed").with("pin", supply.pin()).with("rail", rail),
                Fact.of("action.unfeed.cost"),
                List.of(new Unfeed(node.node().id(), placed.id(), supply.pin())));
    }

    private static Fix turnDown(NodeCircuit node, Placed placed, Reduction lower) {
        return new Fix(
                "turn-down-" + lower.name(),
                Fact.of("fix.turn_down").with("part", placed.part().name()).with("setting", lower.name()),
                Fact.of("action.turn_down.cost").with("to", lower.current()),
                List.of(new SetSetting(node.node().id(), placed.id(), Settings.TURNED_DOWN, lower.name())));
    }

    /** For a part that runs in several modes and that no moment names yet. */
    private static Optional<Fix> moment(NodeCircuit node, Placed placed) {
        List<String> modes =
                placed.cls().modes().stream().map(Mode::name).distinct().toList();
        boolean isNamed = node.loads().isGoverned(placed);
        if (modes.size() < 2 || isNamed) {
            return Optional.empty();
        }
        String id = "busy-" + placed.id();
        Moment moment = new Moment(
                id,
                Words.say(Fact.of("moments.of_part").with("part", placed.part().name())),
                List.of(new Moment.Raise(placed.id(), modes.get(modes.size() - 1))),
                TimeSpan.ofSeconds(1),
                Optional.empty(),
                Optional.empty(),
                Set.of(),
                Extras.NONE);
        return Optional.of(new Fix(
                "moment",
                Fact.of("action.moment"),
                Fact.of("action.moment.cost"),
                List.of(new SetMoment(node.node().id(), moment))));
    }
}
