package inkel.app.ui.tune.link;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.AirKey;
import inkel.core.document.AirPlan;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.quantity.Fact;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Packet radios that belong together: both ends line by line, the band, what is in a packet, and an ether to try. */
public final class RadioPane extends BenchPane {
    private static final String NARROW = " narrow";
    private static final double NAME = 96;
    private static final double CELL = 92;
    private static final double MOST_CELL = 170;

    /** So many stations have room beside each other; which ones is chosen above them. */
    private static final int MOST_SHOWN = 3;

    private static final double BYTE = 20;
    private static final double FIELDS = 420;

    private final Session session;
    private final Caption none = Ui.text(Words.get("radio.none"), "later");
    private final WrapRow chosen = new WrapRow(8);
    private final VBox lines = new VBox(2);
    private final List<Integer> shown = new ArrayList<>();
    private final TextField packet = field("radio-packet", FIELDS);
    private final VBox layouts = new VBox(8);
    private final Map<String, TextField> fields = new LinkedHashMap<>();
    private final Map<String, String> said = new HashMap<>();
    private final VBox all;
    private final Region spread = Ui.textButton("radio-spread", Words.get("radio.spread"), this::spread);
    private final RadioBand band = new RadioBand(this);
    private final RadioEther ether;
    private String shape = "";

    public RadioPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        ether = new RadioEther(session, this);
        onTyped(packet, this::takePacket);
        packet.setAccessibleText(Words.get("radio.packet"));
        all = new VBox(
                12,
                sheet("radio.lines", "radio.lines.how", chosen, lines, spread),
                band,
                sheet("radio.packet", "radio.packet.how", packet, layouts),
                ether);
        getChildren().addAll(none, all);
        widthProperty().addListener((property, old, next) -> {
            if (!shape.isEmpty() && isNarrow() != shape.endsWith(NARROW)) {
                show();
            }
        });
        packet.setMinWidth(0);
        show();
    }

    Optional<RadioNet> net() {
        return session.tune().radios(at());
    }

    boolean apply(Edit edit) {
        say("");
        return session.apply(edit);
    }

    // --- line by line

    private boolean isNarrow() {
        return getWidth() > 0 && getWidth() < LITTLE;
    }

    private int mostShown() {
        return isNarrow() ? 1 : MOST_SHOWN;
    }

    /** Fields are made anew only for other stations, so that nothing typed is lost. */
    private void showLines(RadioNet net) {
        choose(net);
        String now = net.sort() + " "
                + columns(net).stream()
                        .map(end -> end.station().number() + " " + end.name())
                        .collect(Collectors.joining(", "));
        now += isNarrow() ? NARROW : "";
        if (!now.equals(shape)) {
            shape = now;
            makeLines(net);
        }
        Map<AirKey, Set<Integer>> differing = new LinkedHashMap<>();
        net.differences().forEach(one -> differing
                .computeIfAbsent(one.key(), key -> new HashSet<>())
                .addAll(one.others().stream().map(end -> end.station().number()).toList()));
        net.wrongAddresses().forEach(end -> differing
                .computeIfAbsent(AirKey.ADDRESS, key -> new HashSet<>())
                .add(end.station().number()));
        for (AirKey key : AirKey.of(net.sort())) {
            put(id(key, "all"), net.group().plan().settings().getOrDefault(key.text(), ""));
            for (End end : columns(net)) {
                TextField field =
                        fields.get(id(key, String.valueOf(end.station().number())));
                put(id(key, String.valueOf(end.station().number())), end.isOwn(key) ? end.typed(key) : "");
                field.setPromptText(
                        key == AirKey.ADDRESS ? end.said(key).replace(" ", "") : Numbers.local(end.said(key)));
                field.getStyleClass().remove("radio-differs");
                if (differing.getOrDefault(key, Set.of()).contains(end.station().number())) {
                    field.getStyleClass().add("radio-differs");
                }
            }
        }
    }

    /** What the build says is shown as soon as it says otherwise, though somebody may be in the field: it was undone, or mended. */
    private void put(String id, String text) {
        if (!text.equals(said.put(id, text))) {
            fields.get(id).setText(text);
        }
    }

    /** Of many stations: the first one, this one, and one more until others are chosen. */
    private void choose(RadioNet net) {
        List<Integer> all =
                net.ends().stream().map(end -> end.station().number()).toList();
        shown.removeIf(number -> !all.contains(number));
        List<Integer> order = new ArrayList<>();
        order.add(net.first().station().number());
        net.end(at().part()).ifPresent(end -> order.add(end.station().number()));
        order.addAll(all);
        order.stream()
                .filter(number -> !shown.contains(number))
                .distinct()
                .limit(Math.max(0, mostShown() - shown.size()))
                .forEach(shown::add);
        int own = net.end(at().part()).map(end -> end.station().number()).orElse(-1);
        while (shown.size() > mostShown()) {
            shown.remove(shown.get(0) == own ? 1 : 0);
        }
        chosen.getChildren().clear();
        Ui.show(chosen, all.size() > mostShown());
        for (End end : net.ends()) {
            int number = end.station().number();
            Tile pill = Ui.pill("radio-show-" + number, end.name(), () -> {
                if (!shown.contains(number)) {
                    shown.remove(shown.size() - 1);
                    shown.add(number);
                    show();
                }
            });
            pill.getStyleClass().add("pill-toggle");
            pill.setSelected(shown.contains(number));
            chosen.getChildren().add(pill);
        }
    }

    private List<End> columns(RadioNet net) {
        return net.ends().stream()
                .filter(end -> shown.contains(end.station().number()))
                .toList();
    }

    private static String id(AirKey key, String station) {
        return "radio-" + key.text() + "-" + station;
    }

    private void makeLines(RadioNet net) {
        lines.getChildren().clear();
        fields.clear();
        said.clear();
        HBox head = new HBox(8, cell(Words.get("radio.all"), CELL));
        if (!isNarrow()) {
            head.getChildren().add(0, cell("", NAME));
        }
        columns(net).forEach(end -> head.getChildren().add(cell(end.name(), CELL)));
        lines.getChildren().add(head);
        for (AirKey key : AirKey.of(net.sort())) {
            Caption name = Ui.text(Words.get("radio.key." + key.text()), "quiet");
            name.setMinWidth(NAME);
            name.setPrefWidth(NAME);
            HBox row = new HBox(8, line(net, key, Optional.empty()));
            if (!isNarrow()) {
                row.getChildren().add(0, name);
            }
            columns(net).forEach(end -> row.getChildren()
                    .add(line(net, key, Optional.of(end.station().number()))));
            row.setAlignment(Pos.CENTER_LEFT);
            lines.getChildren().add(isNarrow() ? new VBox(1, name, row) : row);
        }
    }

    /** The first column is as wide as its words; the others share what is left. */
    private static Caption cell(String text, double width) {
        Caption cell = Ui.word(text, "section");
        wide(cell, width);
        if (text.isEmpty()) {
            cell.setMaxWidth(width);
            HBox.setHgrow(cell, Priority.NEVER);
        }
        return cell;
    }

    private static void wide(Region cell, double width) {
        cell.setMinWidth(width);
        cell.setPrefWidth(width);
        cell.setMaxWidth(MOST_CELL);
        HBox.setHgrow(cell, Priority.ALWAYS);
    }

    private TextField line(RadioNet net, AirKey key, Optional<Integer> number) {
        String station = number.map(String::valueOf).orElse("all");
        TextField field = field(id(key, station), CELL);
        wide(field, CELL);
        field.getStyleClass().add("radio-line");
        field.setAccessibleText(Words.get("radio.key." + key.text()) + ", "
                + number.flatMap(one -> net.group().station(one))
                        .map(one -> net.ends().stream()
                                .filter(end -> end.station().equals(one))
                                .map(End::name)
                                .findFirst()
                                .orElse(""))
                        .orElse(Words.get("radio.all")));
        onTyped(field, () -> take(key, number, field));
        fields.put(id(key, station), field);
        return field;
    }

    private void take(AirKey key, Optional<Integer> number, TextField field) {
        String typed = field.getText().strip();
        Optional<RadioNet> net = net();
        if (net.isEmpty()) {
            return;
        }
        String before = number.map(one -> net.get()
                        .group()
                        .station(one)
                        .map(station -> station.settings().get(key.text()))
                        .orElse(null))
                .orElse(
                        number.isPresent()
                                ? ""
                                : net.get().group().plan().settings().getOrDefault(key.text(), ""));
        if (typed.equals(before == null ? "" : before)) {
            return;
        }
        if (!typed.isEmpty() && !key.isGood(typed)) {
            say(Words.say(Fact.of("radio.bad")
                    .with("key", Words.get("radio.key." + key.text()))
                    .with("example", key.example())));
            return;
        }
        apply(new Stations.SetAir(
                net.get().anchor(), number, key.text(), typed.isEmpty() ? Optional.empty() : Optional.of(typed)));
    }

    /** Each station waits another time before it tries again. */
    private void spread() {
        net().ifPresent(net -> {
            say("");
            List<Edit> edits = new ArrayList<>();
            net.spreadWaits()
                    .forEach((end, wait) -> edits.add(new Stations.SetAir(
                            net.anchor(),
                            Optional.of(end.station().number()),
                            AirKey.RETRY_WAIT.text(),
                            Optional.of(Words.show(wait)))));
            session.apply(edits);
        });
    }

    // --- what is in a packet

    private void takePacket() {
        List<String> typed = Arrays.stream(packet.getText().split(","))
                .map(String::strip)
                .filter(text -> !text.isEmpty())
                .toList();
        Optional<RadioNet> net = net();
        if (net.isEmpty() || typed.equals(net.get().group().plan().packet())) {
            return;
        }
        Optional<String> wrong =
                typed.stream().filter(text -> !AirPlan.isField(text)).findFirst();
        if (wrong.isPresent()) {
            say(Words.say(Fact.of("radio.packet.bad").with("text", wrong.get())));
            return;
        }
        apply(new Stations.SetPacket(net.get().anchor(), typed));
    }

    private void showPacket(RadioNet net) {
        fill(packet, String.join(", ", net.group().plan().packet()));
        layouts.getChildren().clear();
        if (net.group().plan().packet().isEmpty()) {
            return;
        }
        for (RadioNet.Laid laid : net.laid()) {
            HBox blocks = new HBox(2);
            for (RadioNet.Laid.Block block : laid.blocks()) {
                Caption cell = Ui.word(
                        block.isGap() ? Words.get("radio.packet.gap") : block.name(),
                        block.isGap() ? "packet-gap" : "packet-field");
                cell.setMinWidth(Math.max(BYTE * block.bytes(), 34));
                blocks.getChildren().add(cell);
            }
            layouts.getChildren()
                    .addAll(
                            blocks,
                            Ui.text(
                                    Words.say(Fact.of("radio.packet.laid")
                                            .with("bytes", laid.bytes())
                                            .with("names", laid.names())
                                            .with("bits", laid.bits())),
                                    "quiet"));
        }
    }

    @Override
    public void show() {
        Optional<RadioNet> net = net();
        Ui.show(none, net.isEmpty());
        Ui.show(all, net.isPresent());
        net.ifPresent(here -> {
            Ui.show(spread, !here.isLongRange());
            Ui.show(band, !here.isLongRange());
            showLines(here);
            if (!here.isLongRange()) {
                band.show(here);
            }
            showPacket(here);
            ether.show(here);
        });
    }
}
