package anabion.desktop.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Asks for a file. A port, so that tests can answer without the system's dialog. */
public interface FileChoice {
    Optional<Path> toOpen(String title, List<String> patterns);

    Optional<Path> toSave(String title, String name);

    /** A folder. */
    Optional<Path> folder(String title);

    /** The system's own dialogs. */
    static FileChoice system(Window owner) {
        return new FileChoice() {
            @Override
            public Optional<Path> toOpen(String title, List<String> patterns) {
                FileChooser chooser = new FileChooser();
                chooser.setTitle(title);
                chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(title, patterns));
                return Optional.ofNullable(chooser.showOpenDialog(owner)).map(java.io.File::toPath);
            }

            @Override
            public Optional<Path> folder(String title) {
                DirectoryChooser chooser = new DirectoryChooser();
                chooser.setTitle(title);
                return Optional.ofNullable(chooser.showDialog(owner)).map(java.io.File::toPath);
            }

            @Override
            public Optional<Path> toSave(String title, String name) {
                FileChooser chooser = new FileChooser();
                chooser.setTitle(title);
                chooser.setInitialFileName(name);
                return Optional.ofNullable(chooser.showSaveDialog(owner)).map(java.io.File::toPath);
            }
        };
    }
}
