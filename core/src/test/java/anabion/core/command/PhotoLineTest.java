package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.command.PhotoLine.Draw;
import anabion.core.command.PhotoLine.Place;
import anabion.core.command.PhotoLine.Shape;
import anabion.core.error.InputException;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Lines about a photo. */
class PhotoLineTest {
    @Test
    void marksAreDrawnWhereSomebodyClickedOrWhereItIsSaid() {
        assertThat(PhotoLine.parse("pin C13 dried out")).contains(new Draw(Shape.PIN, "C13 dried out", List.of()));
        assertThat(PhotoLine.parse("pin C13 at 40 62.5"))
                .contains(new Draw(Shape.PIN, "C13", List.of(new Place(0.4, 0.625))));
        assertThat(PhotoLine.parse("arrow at 10 10 40 60"))
                .contains(new Draw(Shape.ARROW, "", List.of(new Place(0.1, 0.1), new Place(0.4, 0.6))));
        assertThat(PhotoLine.parse("pin look at the joint"))
                .contains(new Draw(Shape.PIN, "look at the joint", List.of()));
    }

    @Test
    void photosAreNumbered() {
        assertThat(PhotoLine.parse("photo 2")).contains(new PhotoLine.Show(2));
        assertThat(PhotoLine.parse("compare off")).contains(new PhotoLine.Compare(Optional.empty()));
        assertThat(PhotoLine.parse("lead red a -> b")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"photo", "photo x", "pin", "pin at 40 60", "pin C13 at 40 600", "circle at 40 60", "unmark 0"})
    void whatSaysTooLittleIsRefused(String line) {
        assertThatThrownBy(() -> PhotoLine.parse(line))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("ype");
    }
}
