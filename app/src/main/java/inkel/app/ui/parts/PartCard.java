package inkel.app.ui.parts;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.words.PartWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Fact;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;

/**
 * One part on the table. What it shows is made when it first comes into view, so that a long table costs no more than
 * the part of it that is seen.
 */
final class PartCard extends Pressable {
    static final double HEIGHT = 100;

    private static final PseudoClass TROUBLE = PseudoClass.getPseudoClass("trouble");
    private static final PseudoClass THIN = PseudoClass.getPseudoClass("thin");
    private static final double SIDE = 15;
    private static final double CHIP_PADDING = 9;
    private static final double CHIP_HEIGHT = 19;

    private final Placed placed;
    private final Place place;
    private final NodeCircuit node;
    private final List<Feed> feeds;
    private final List<Finding> findings;
    private final boolean isStopped;
    private final boolean isThin;

    private boolean isFilled;
    private final Line name = new Line("", "card-title");
    private final Region chipGround = new Region();
    private final Line chip = new Line("", "chip-text");
    private final Line purpose = new Line("", "quiet");
    private Line current;
    private SupplyRuler ruler;
    private Line verdict;
    private TextField field;

    PartCard(Assessment assessment, NodeCircuit node, Placed placed, Consumer<Place> select) {
        super(() -> select.accept(node.place(placed)), "part-card");
        this.placed = placed;
        this.node = node;
        place = node.place(placed);
        setId("part-" + placed.id());
        feeds = assessment.reports().supplies().of(node.node().id(), placed.id());
        findings = assessment.at(place);
        isStopped = findings.stream().anyMatch(finding -> finding.severity() == Severity.STOP);
        isThin = !isStopped && findings.stream().anyMatch(finding -> finding.severity() == Severity.LOOK);
        pseudoClassStateChanged(TROUBLE, isStopped);
        pseudoClassStateChanged(THIN, isThin);
        setAccessibleText(placed.part().name() + ", " + purpose() + ", " + trouble());
    }

    Place place() {
        return place;
    }

    /** Makes what the card shows, once. */
    void fill() {
        if (isFilled) {
            return;
        }
        isFilled = true;
        name.say(placed.part().name());
        chip.say(PartWords.bus(placed));
        chipGround.getStyleClass().add("chip");
        purpose.say(purpose());
        verdict = new Line(trouble(), isStopped ? "stop-text" : isThin ? "look-text" : "quiet");
        boolean isTold = isStopped || isThin;
        getChildren().addAll(name, chipGround, chip, isTold ? verdict : purpose);
        Optional<Feed> feed = mainFeed();
        if (OtherLeg.isOnSupply(placed.cls())) {
            current = new Line(PartWords.legOnSupply(node, placed), "figure", "reading");
            getChildren().add(current);
        } else if (feed.isPresent()) {
            ruler = new SupplyRuler(feed.get());
            current = new Line(PartWords.current(placed, feed.get().supply().pin()), "figure", "reading");
            getChildren().addAll(ruler, current);
        } else if (!placed.cls().outputs().isEmpty()) {
            current = new Line(PartWords.gives(node, placed), "figure", "reading");
            getChildren().add(current);
        }
        requestLayout();
    }

    /** What it is for; else its class, and where that is its name, what the class says of itself. */
    private String purpose() {
        Part part = placed.part();
        if (!part.purpose().isEmpty()) {
            return part.purpose();
        }
        return part.name().equals(placed.cls().name())
                ? placed.cls().summary()
                : placed.cls().name();
    }

    /** The pin that is worst off speaks for the part; a way in that may stay unused does not. */
    private Optional<Feed> mainFeed() {
        return feeds.stream()
                .filter(feed -> feed.fit() != Fit.UNFED || feeds.size() == 1 || !mayStayUnfed(feed))
                .max(Comparator.comparing(feed -> feed.fit().ordinal()));
    }

    private boolean mayStayUnfed(Feed feed) {
        return placed.part().isBoard() || placed.cls().mayStayUnfed(feed.supply());
    }

    /** What the builder still has to decide; a note is no decision. */
    private String trouble() {
        List<Finding> open = findings.stream()
                .filter(finding -> finding.severity() != Severity.NOTE)
                .toList();
        if (open.isEmpty()) {
            return mainFeed().map(feed -> PartWords.fit(feed.fit())).orElse("");
        }
        String first = PartWords.inShort(open.get(0));
        return open.size() == 1
                ? first
                : Words.say(Fact.of("parts.more").with("first", first).with("more", open.size() - 1));
    }

    @Override
    protected void layoutChildren() {
        if (!isFilled) {
            return;
        }
        double right = getWidth() - SIDE;
        double room = right - SIDE;
        double chipWidth = chip.width() + 2 * CHIP_PADDING;
        chip.relocate(right - chipWidth + CHIP_PADDING, 13 + (CHIP_HEIGHT - chip.height()) / 2);
        chipGround.resizeRelocate(right - chipWidth, 13, chipWidth, CHIP_HEIGHT);
        if (field != null) {
            field.resizeRelocate(SIDE - 6, 8, room - chipWidth, field.prefHeight(-1));
        }
        name.place(SIDE, 13, room - chipWidth - 8);
        (isStopped || isThin ? verdict : purpose).place(SIDE, 36, room);
        if (ruler != null) {
            double currentWidth = current.placeRight(right, 69);
            double gap = currentWidth > 0 ? 10 : 0;
            ruler.resizeRelocate(SIDE, 60, room - currentWidth - gap, ruler.prefHeight(-1));
        } else if (current != null) {
            current.place(SIDE, 62, room);
        }
    }

    @Override
    protected double computePrefHeight(double width) {
        return HEIGHT;
    }

    /** Changes the name in place: Enter gives the new one to {@code take}, Escape leaves it as it was. */
    void rename(Consumer<String> take) {
        fill();
        field = new TextField(placed.part().name());
        field.setId("rename");
        field.setAccessibleText(Words.get("part.rename", "name", placed.part().name()));
        name.setVisible(false);
        getChildren().add(field);
        field.setOnAction(event -> {
            String text = field.getText().strip();
            endRename();
            if (!text.isEmpty() && !text.equals(placed.part().name())) {
                take.accept(text);
            }
        });
        field.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                endRename();
                event.consume();
            }
        });
        applyCss();
        layout();
        field.requestFocus();
        field.selectAll();
    }

    private void endRename() {
        requestFocus();
        getChildren().remove(field);
        field = null;
        name.setVisible(true);
    }
}
