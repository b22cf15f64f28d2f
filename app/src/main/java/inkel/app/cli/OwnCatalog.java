package inkel.app.cli;

import inkel.app.store.Shelves;
import inkel.app.store.UserState;
import inkel.core.catalog.Catalog;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.catalog.Shelf;

/** The shipped classes and those on this user's shelf, as the window sees them. */
final class OwnCatalog {
    private OwnCatalog() {}

    static Catalog read() {
        return CatalogReader.shipped().with(shelf().classes());
    }

    static Shelf shelf() {
        return Shelf.read(Shelves.folder(UserState.usualFolder()));
    }
}
