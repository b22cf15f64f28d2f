package inkel.app.ui.power;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.Words;
import inkel.core.catalog.Supply;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Stage;
import inkel.core.remedy.FeedCheck;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Supplies, rails and loads as a river, and what happens in one round of the sketch. */
public final class PowerStage extends StagePane {
    private final Session session;
    private final River river;
    private final Scroller scroller;
    private final MomentStrip moments;
    private final Caption empty = Ui.text(Words.get("power.empty"), "quiet");
    private final SupplyChooser chooser;
    private NodeCircuit shown;

    public PowerStage(Session session) {
        super(Stage.POWER);
        this.session = session;
        river = new River(this::choose, this::offer, this::feed);
        scroller = new Scroller(river) {
            @Override
            protected void layoutChildren() {
                river.setLeastHeight(getHeight() - 4);
                super.layoutChildren();
            }
        };
        VBox.setVgrow(scroller, Priority.ALWAYS);
        moments = new MomentStrip(session);
        chooser = new SupplyChooser(session, this::closeChooser);
        Ui.show(chooser, false);
        Tile add = Ui.pill("add-supply", Words.get("power.add"), this::openChooser);
        add.setMaxHeight(USE_PREF_SIZE);
        addControl(add);
        empty.setId("power-empty");
        getChildren().addAll(chooser, empty, scroller, moments);
        subscriptions().on(session.selectionProperty(), (property, old, next) -> {
            if (getScene() != null) {
                refresh();
            }
        });
        refreshWith(session);
    }

    private void openChooser() {
        chooser.show();
        Ui.show(chooser, true);
        Ui.show(moments, false);
    }

    private void closeChooser() {
        Ui.show(chooser, false);
        Ui.show(moments, true);
    }

    private Optional<NodeCircuit> node() {
        Assessment assessment = session.assessmentProperty().get();
        return assessment == null
                ? Optional.empty()
                : assessment.circuit(session.nodeProperty().get());
    }

    private void choose(Endpoint end) {
        node().ifPresent(node -> {
            Place place = node.rail(end).isPresent()
                    ? node.place(end)
                    : Place.ofPart(node.node().id(), end.part());
            session.selectionProperty()
                    .set(place.equals(session.selectionProperty().get()) ? null : place);
        });
    }

    private FeedCheck check(Endpoint pin, Endpoint railId) {
        NodeCircuit node = node().orElseThrow();
        Placed placed = node.part(pin.part()).orElseThrow();
        Supply supply = placed.cls().supply(pin.pin()).orElseThrow();
        Rail rail = node.rail(railId).orElseThrow();
        return FeedCheck.of(node, placed, supply, rail);
    }

    private River.Offer offer(Endpoint pin, Endpoint rail) {
        if (node().filter(node -> node.farLoad(pin.part()).isPresent()).isPresent()) {
            return new River.Offer(false, Words.get("river.offer.far"));
        }
        FeedCheck check = check(pin, rail);
        return new River.Offer(
                check.isAllowed(), Words.get("river.offer." + check.name().toLowerCase(Locale.ROOT)));
    }

    private void feed(Endpoint pin, Endpoint rail) {
        session.apply(new Feed(session.nodeProperty().get(), pin.part(), pin.pin(), rail));
    }

    @Override
    protected void refresh() {
        node().ifPresent(node -> {
            Place selected = session.selectionProperty().get();
            boolean isHere = selected != null
                    && selected.node().equals(node.node().id())
                    && !selected.part().isEmpty();
            Endpoint end = isHere ? new Endpoint(selected.part(), selected.pin()) : null;
            if (shown != node) {
                river.show(node);
                shown = node;
            }
            river.select(end);
            if (end != null) {
                scroller.layout();
                river.layout();
                river.chosen().ifPresent(scroller::reveal);
            }
            moments.show(node, end);
            Ui.show(empty, node.rails().stream().allMatch(rail -> rail.loads().isEmpty()));
        });
    }
}
