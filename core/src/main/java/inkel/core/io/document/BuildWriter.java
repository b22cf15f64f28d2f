package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.catalog.OwnClass;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.RadioGroup;
import inkel.core.document.Standing;
import inkel.core.document.Wire;
import inkel.core.io.json.JsonText;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Share;
import inkel.core.quantity.TimeSpan;
import java.util.Map;

/** Writes a build as JSON; {@link BuildFile} puts that on the disk. */
public final class BuildWriter {
    private BuildWriter() {}

    /** The text of a build file, with two blanks of indent and a line feed at the end. */
    public static String print(Build build) {
        return JsonText.pretty(tree(build));
    }

    private static ObjectNode object() {
        return JsonText.object();
    }

    static ObjectNode tree(Build build) {
        ObjectNode tree = object();
        tree.put("format", Build.FORMAT);
        tree.put("name", build.name());
        ArrayNode nodes = tree.putArray("nodes");
        build.nodes().forEach(node -> nodes.add(tree(node)));
        if (!build.links().isEmpty()) {
            ArrayNode links = tree.putArray("links");
            build.links().forEach(link -> links.add(tree(link)));
        }
        if (!build.air().isEmpty()) {
            ArrayNode air = tree.putArray("air");
            build.air().forEach(group -> air.add(tree(group)));
        }
        if (!build.habits().typed().isEmpty()) {
            ObjectNode habits = tree.putObject("habits");
            build.habits().typed().forEach(habits::put);
        }
        if (!build.classes().isEmpty()) {
            ArrayNode classes = tree.putArray("classes");
            build.classes().forEach(own -> classes.add(definition(own)));
        }
        LogSeals.write(tree.putArray("log"), build.log());
        return with(tree, build.extras());
    }

    private static ObjectNode tree(RadioGroup group) {
        ObjectNode tree = object();
        tree.put("id", group.id());
        tree.put("name", group.name());
        ArrayNode stations = tree.putArray("stations");
        group.stations().forEach(station -> {
            ObjectNode one = stations.addObject();
            station.radio().ifPresent(radio -> one.put("radio", radio.toString()));
            putUnlessEmpty(one, "name", station.name());
            one.put("role", station.role().text());
            one.put("number", station.number());
            putSettings(one, station.settings());
            with(one, station.extras());
        });
        putSettings(tree, group.plan().settings());
        if (!group.plan().networks().isEmpty()) {
            ArrayNode networks = tree.putArray("networks");
            group.plan().networks().forEach(network -> {
                ObjectNode one = networks.addObject();
                one.put("name", network.name());
                one.put("channel", network.channel());
                one.put("width_mhz", (int) network.widthMhz());
                one.put("strength", network.strength().text());
                with(one, network.extras());
            });
        }
        if (!group.plan().packet().isEmpty()) {
            ArrayNode packet = tree.putArray("packet");
            group.plan().packet().forEach(packet::add);
        }
        return with(tree, group.extras());
    }

    private static void putSettings(ObjectNode tree, Map<String, String> settings) {
        if (!settings.isEmpty()) {
            ObjectNode all = tree.putObject("settings");
            settings.forEach(all::put);
        }
    }

    private static JsonNode definition(OwnClass own) {
        try {
            return JsonText.parse(own.json());
        } catch (JsonText.BadJson broken) {
            throw new IllegalStateException("the definition was read before: " + own.id(), broken);
        }
    }

    private static ObjectNode with(ObjectNode tree, Extras extras) {
        extras.fields().forEach((key, value) -> put(tree, key, JsonText.tree(value)));
        return tree;
    }

    /** What stands in an object that this version knows goes beside what it knows of it. */
    private static void put(ObjectNode tree, String key, JsonNode value) {
        if (tree.get(key) instanceof ObjectNode there && value instanceof ObjectNode more) {
            more.fields().forEachRemaining(entry -> put(there, entry.getKey(), entry.getValue()));
        } else {
            tree.set(key, value);
        }
    }

    private static ObjectNode tree(NodeWire link) {
        ObjectNode tree = object();
        tree.put("from", link.from().toString());
        tree.put("to", link.to().toString());
        if (link.groundJoined()) {
            tree.put("ground", true);
        }
        link.between().ifPresent(piece -> tree.set("between", pieceTree(piece)));
        link.carries().kind().ifPresent(kind -> tree.put("carries", kind.text()));
        link.carries().baud().ifPresent(baud -> tree.put("baud", Engineering.bare(baud)));
        return with(tree, link.extras());
    }

    static ObjectNode tree(LogLine line) {
        ObjectNode tree = object();
        tree.put("at", line.at().toString());
        tree.put("kind", kind(line));
        putUnlessEmpty(tree, "place", line.place().toString());
        if (line instanceof LogLine.Measured measured) {
            tree.put("what", measured.what().text());
            tree.put("value", Engineering.exact(measured.value()));
            putUnlessEmpty(tree, "text", measured.text());
            tree.put("by", measured.by().text());
            measured.foretold().ifPresent(foretold -> putForetold(tree, foretold));
            putStanding(tree, measured.on());
        } else if (line instanceof LogLine.Seen seen) {
            tree.put("check", seen.check());
            tree.put("as_expected", seen.isWell());
            putUnlessEmpty(tree, "text", seen.text());
            tree.put("by", seen.by().text());
            putStanding(tree, seen.on());
        } else if (line instanceof LogLine.Pulled pulled) {
            tree.put("wire", pulled.wire());
        } else if (line instanceof LogLine.Tuned tuned) {
            TuningFields.write(tree, tuned.tuning());
            tree.put("by", tuned.by().text());
            putStanding(tree, tuned.on());
        } else if (line instanceof LogLine.TakenBack back) {
            tree.put("line", back.line());
        } else {
            putUnlessEmpty(tree, "text", line.text());
        }
        if (line instanceof LogLine.Noted noted) {
            noted.answers().ifPresent(answered -> tree.put("answers", answered));
            putUnlessEmpty(tree, "value", noted.value());
            putUnlessEmpty(tree, "picture", noted.picture());
        }
        return with(tree, line.extras());
    }

    private static void putStanding(ObjectNode tree, Standing on) {
        ArrayNode stoodOn = tree.putArray("stood_on");
        on.things().forEach(stoodOn::add);
    }

    private static void putForetold(ObjectNode tree, Foretold foretold) {
        tree.put("check", foretold.check());
        if (foretold.low().isPresent() || foretold.high().isPresent()) {
            ObjectNode expected = tree.putObject("expected");
            foretold.low().ifPresent(low -> expected.put("low", Engineering.exact(low)));
            foretold.high().ifPresent(high -> expected.put("high", Engineering.exact(high)));
        }
        foretold.meter().ifPresent(meter -> {
            ObjectNode with = tree.putObject("meter");
            with.put("counts", meter.counts());
            with.put("accuracy", Engineering.exact(new Share(meter.accuracy())));
            with.put("digits", meter.digits());
        });
    }

    private static String kind(LogLine line) {
        if (line instanceof LogLine.Measured) {
            return LogWords.MEASURED;
        } else if (line instanceof LogLine.Left) {
            return LogWords.LEFT;
        } else if (line instanceof LogLine.Decided) {
            return LogWords.DECIDED;
        } else if (line instanceof LogLine.Changed) {
            return LogWords.CHANGED;
        } else if (line instanceof LogLine.Swapped) {
            return LogWords.SWAPPED;
        } else if (line instanceof LogLine.WentWrong) {
            return LogWords.WENT_WRONG;
        } else if (line instanceof LogLine.TakenBack) {
            return LogWords.TAKEN_BACK;
        } else if (line instanceof LogLine.Seen) {
            return LogWords.SEEN;
        } else if (line instanceof LogLine.Pulled) {
            return LogWords.PULLED;
        } else if (line instanceof LogLine.Tuned) {
            return LogWords.TUNED;
        }
        return LogWords.NOTED;
    }

    private static void putUnlessEmpty(ObjectNode tree, String key, String value) {
        if (!value.isEmpty()) {
            tree.put(key, value);
        }
    }

    private static ObjectNode tree(Node node) {
        ObjectNode tree = object();
        tree.put("id", node.id());
        tree.put("name", node.name());
        putUnlessEmpty(tree, "like", node.like());
        tree.set("board", tree(node.board()));
        ArrayNode parts = tree.putArray("parts");
        node.parts().stream().skip(1).forEach(part -> parts.add(tree(part)));
        ArrayNode wires = tree.putArray("wires");
        node.wires().forEach(wire -> wires.add(tree(wire)));
        ArrayNode between = tree.putArray("between");
        node.between().forEach(entry -> between.add(tree(entry)));
        if (!node.moments().isEmpty()) {
            ArrayNode moments = tree.putArray("moments");
            node.moments().forEach(moment -> moments.add(tree(moment)));
        }
        ArrayNode plugged = tree.putArray("plugged");
        node.plugged().forEach(plugged::add);
        if (!node.made().isEmpty()) {
            ObjectNode made = tree.putObject("made");
            node.made().forEach(made::put);
        }
        if (!node.seats().isEmpty()) {
            ObjectNode seats = tree.putObject("seats");
            node.seats().forEach((who, seat) -> seats.put(who, seat.text()));
        }
        if (!node.laid().isNone()) {
            ObjectNode laid = tree.putObject("laid");
            node.laid().seats().forEach((who, seat) -> laid.put(who, seat.text()));
            ObjectNode rails = tree.putObject("rails");
            node.laid().rails().forEach(rails::put);
        }
        return with(tree, node.extras());
    }

    private static ObjectNode tree(Part part) {
        ObjectNode tree = object();
        if (!part.isBoard()) {
            tree.put("id", part.id());
        }
        tree.put("class", part.classId());
        tree.put("name", part.name());
        putUnlessEmpty(tree, "purpose", part.purpose());
        if (!part.feeds().isEmpty()) {
            ObjectNode feeds = tree.putObject("feeds");
            part.feeds().forEach((pin, rail) -> feeds.put(pin, rail.toString()));
        }
        if (part.since() > 0) {
            tree.put("since", part.since());
        }
        if (part.groundApart()) {
            tree.put("ground_apart", true);
        }
        putSettings(tree, part.settings());
        if (!part.figures().isEmpty()) {
            ObjectNode figures = tree.putObject("figures");
            part.figures().forEach(figures::put);
        }
        return with(tree, part.extras());
    }

    private static ObjectNode tree(Moment moment) {
        ObjectNode tree = object();
        tree.put("id", moment.id());
        tree.put("name", moment.name());
        ArrayNode raises = tree.putArray("raises");
        moment.raises()
                .forEach(raise ->
                        with(raises.addObject().put("part", raise.part()).put("mode", raise.mode()), raise.extras()));
        tree.put("length", text(moment.length()));
        moment.repeat().ifPresent(repeat -> tree.put("repeat", text(repeat)));
        moment.at().ifPresent(at -> tree.put("at", text(at)));
        if (!moment.never().isEmpty()) {
            ArrayNode never = tree.putArray("never");
            moment.never().forEach(never::add);
        }
        return with(tree, moment.extras());
    }

    private static String text(TimeSpan time) {
        return Engineering.exact(time);
    }

    private static ObjectNode tree(Wire wire) {
        ObjectNode tree = object();
        tree.put("from", wire.from().toString());
        tree.put("to", wire.to().toString());
        if (wire.held()) {
            tree.put("held", true);
        }
        putUnlessEmpty(tree, "reason", wire.reason());
        return with(tree, wire.extras());
    }

    private static ObjectNode tree(Between between) {
        ObjectNode tree = object();
        tree.put("signal", between.signal().toString());
        tree.setAll(pieceTree(between));
        return tree;
    }

    /** A piece without the signal whose wire it stands in. */
    private static ObjectNode pieceTree(Between between) {
        ObjectNode tree = object();
        if (between instanceof Between.Divider divider) {
            tree.put("kind", "divider");
            tree.put("series", Engineering.exact(divider.series()));
            tree.put("to_ground", Engineering.exact(divider.toGround()));
        } else if (between instanceof Between.Diode diode) {
            tree.put("kind", "diode");
            tree.put("pull_up", Engineering.exact(diode.pullUp()));
        } else if (between instanceof Between.Opto opto) {
            tree.put("kind", "opto");
            if (!opto.turnsOver()) {
                tree.put("lit_by", "low");
            }
            tree.put("series", Engineering.exact(opto.series()));
            tree.put("pull_up", Engineering.exact(opto.pullUp()));
        } else if (between instanceof Between.ShifterWay way) {
            tree.put("kind", "shifter");
            tree.put("shifter", way.shifter());
            tree.put("way", way.way());
            way.faces().ifPresent(pin -> tree.put("faces", pin));
        }
        if (between instanceof Between.Nothing nothing) {
            tree.put("kind", "nothing");
            putUnlessEmpty(tree, "reason", nothing.reason());
        } else if (between instanceof Between.Series series) {
            tree.put("kind", "series");
            tree.put("series", Engineering.exact(series.resistance()));
        } else if (between instanceof Between.PulledUp up) {
            tree.put("kind", "pull-up");
            tree.put("pull_up", Engineering.exact(up.pullUp()));
        } else if (between instanceof Between.PulledDown down) {
            tree.put("kind", "pull-down");
            tree.put("to_ground", Engineering.exact(down.toGround()));
        } else if (between instanceof Between.CoilDriver driver) {
            tree.put("kind", "coil-driver");
            tree.put("base", Engineering.exact(driver.base()));
        }
        between.capacitor().ifPresent(value -> tree.put("capacitor", Engineering.exact(value)));
        return with(tree, between.extras());
    }
}
