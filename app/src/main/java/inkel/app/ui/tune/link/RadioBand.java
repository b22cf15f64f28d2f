package inkel.app.ui.tune.link;

import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Words;
import inkel.core.document.LocalNetwork;
import inkel.core.document.edit.Stations;
import inkel.core.quantity.Fact;
import inkel.core.tune.radio.RadioNet;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;

/** The band that radios share with local networks, as far as its builder knows of these. */
final class RadioBand extends VBox {
    private final RadioPane pane;
    private final BandPicture picture = new BandPicture();
    private final WrapRow networks = new WrapRow(12);
    private final TextField networkName = BenchPane.field("radio-network-name", 120);
    private final TextField networkChannel = BenchPane.field("radio-network-channel", 44);
    private final List<Tile> strengths = new ArrayList<>();
    private LocalNetwork.Strength strength = LocalNetwork.Strength.MIDDLE;

    RadioBand(RadioPane pane) {
        this.pane = pane;
        networks.setAlignment(Pos.CENTER_LEFT);
        WrapRow add = new WrapRow(8);
        add.setAlignment(Pos.CENTER_LEFT);
        add.getChildren()
                .addAll(
                        BenchPane.named("radio.network.name", "", networkName),
                        BenchPane.named("radio.network.channel", "", networkChannel));
        for (LocalNetwork.Strength one : LocalNetwork.Strength.values()) {
            Tile pill = BenchPane.toggle("radio-network-" + one.text(), "radio.network." + one.text(), () -> {
                strength = one;
                pane.show();
            });
            strengths.add(pill);
            add.getChildren().add(pill);
        }
        add.getChildren().add(Ui.textButton("radio-network-add", Words.get("radio.network.add"), this::addNetwork));
        networkChannel.setOnAction(event -> addNetwork());
        getChildren().add(BenchPane.sheet("radio.band", "radio.band.how", picture, networks, add));
    }

    private void addNetwork() {
        String name = networkName.getText().strip();
        String channel = networkChannel.getText().strip();
        boolean isRight = !name.isEmpty()
                && channel.matches("[0-9]{1,2}")
                && Integer.parseInt(channel) >= 1
                && Integer.parseInt(channel) <= LocalNetwork.MOST_CHANNEL;
        if (!isRight) {
            pane.say(Words.say(Fact.of("radio.network.bad").with("most", LocalNetwork.MOST_CHANNEL)));
            return;
        }
        pane.net().ifPresent(net -> {
            List<LocalNetwork> more = new ArrayList<>(net.group().plan().networks());
            more.add(new LocalNetwork(name, Integer.parseInt(channel), LocalNetwork.USUAL_WIDTH_MHZ, strength));
            if (pane.apply(new Stations.SetNetworks(net.anchor(), more))) {
                networkName.clear();
                networkChannel.clear();
            }
        });
    }

    void show(RadioNet net) {
        picture.show(net);
        networks.getChildren().clear();
        List<LocalNetwork> around = net.group().plan().networks();
        for (int i = 0; i < around.size(); i++) {
            int number = i;
            LocalNetwork one = around.get(i);
            networks.getChildren()
                    .addAll(
                            Ui.word(
                                    Words.say(Fact.of("radio.network")
                                            .with("name", one.name())
                                            .with("channel", one.channel())
                                            .with(
                                                    "strength",
                                                    Words.get("radio.network."
                                                            + one.strength().text()))),
                                    "quiet"),
                            Ui.textButton("radio-network-out-" + i, Words.get("tune.take_out"), () -> {
                                List<LocalNetwork> fewer = new ArrayList<>(around);
                                fewer.remove(number);
                                pane.apply(new Stations.SetNetworks(net.anchor(), fewer));
                            }));
        }
        Ui.show(networks, !around.isEmpty());
        for (int i = 0; i < strengths.size(); i++) {
            strengths.get(i).setSelected(LocalNetwork.Strength.values()[i] == strength);
        }
    }
}
