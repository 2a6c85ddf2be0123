package anabion.devtools;

import anabion.core.chassis.Chassis;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.AlignmentPurpose;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.job.Step;
import anabion.core.json.Extra;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Ports;
import anabion.desktop.shell.Shell;
import anabion.desktop.theme.Look;
import anabion.workshop.Workshop;
import anabion.workshop.demo.DemoPhotos;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;

/** Takes the pictures of the documentation from the demo workshop, with a fixed clock and locale. */
final class Shots {
    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");

    private final Path folder;
    private Stage stage;
    private Shell shell;
    private Session session;

    private Shots(Path folder) {
        this.folder = folder;
    }

    /** One picture: its file, theme, size, and what to do before. */
    private record Shot(String name, boolean dim, int width, int height, Runnable before) {}

    static void take(Path folder) throws IOException {
        Files.createDirectories(folder);
        java.util.Locale.setDefault(java.util.Locale.ENGLISH);
        CountDownLatch started = new CountDownLatch(1);
        Platform.startup(started::countDown);
        new Shots(folder).all();
        Platform.exit();
    }

    private void all() throws IOException {
        Path workshopFolder = Files.createTempDirectory("anabion-shots");
        Workshop workshop = Workshop.open(workshopFolder, Clock.fixed(NOW, ZoneOffset.UTC));
        if (DemoWorkshop.fill(workshop)) DemoPhotos.add(workshop);
        session = new Session(workshop);
        session.motion().set(false);
        on(() -> {
            Look.loadFonts();
            stage = new Stage();
            shell = new Shell(session, Ports.system(stage));
            stage.setScene(new Scene(shell, 1280, 800));
            stage.show();
        });
        UUID halcyon = DemoWorkshop.chassis("halcyon").id();
        for (Shot shot : shots(halcyon)) picture(shot);
        on(stage::hide);
        session.close();
    }

    private List<Shot> shots(UUID halcyon) {
        boolean extra = Boolean.getBoolean("anabion.shots.all");
        List<Shot> shots = new java.util.ArrayList<>(List.of(
                new Shot("shelf", false, 1280, 800, () -> shell.go(Shell.Where.SHELF)),
                new Shot("voltages", false, 1280, 800, () -> open(halcyon, Step.VOLTAGES)),
                new Shot("voltages-dim", true, 1280, 800, () -> {}),
                new Shot("arrival", false, 1280, 800, () -> session.step().set(Step.ARRIVAL)),
                new Shot("study-parts", false, 1280, 800, () -> session.step().set(Step.STUDY)),
                new Shot("study-stages", false, 1280, 800, () -> shell.actions()
                        .get("tab-3")
                        .run()
                        .run()),
                new Shot("actions", false, 1280, 800, () -> shell.actions()
                        .get("actions")
                        .run()
                        .run()),
                new Shot("study-checks", false, 1280, 800, () -> {
                    shell.overlay().close();
                    mistyped(DemoWorkshop.chassis("trunk-road").id());
                })));
        shots.add(new Shot("study-circuit", false, 1280, 800, () -> {
            open(halcyon, Step.STUDY);
            session.open(halcyon, () -> {
                shell.actions().get("tab-6").run().run();
                session.part().set(Optional.of("C14"));
            });
        }));
        shots.add(new Shot("library", false, 1280, 800, () -> {
            shell.go(Shell.Where.LIBRARY);
            shell.probe().field().setText("6AQ5");
        }));
        shots.add(new Shot("recap", false, 1280, 800, () -> open(halcyon, Step.RECAP)));
        shots.add(new Shot("cold-checks", false, 1280, 800, () -> session.step().set(Step.COLD_CHECKS)));
        UUID brae = DemoWorkshop.chassis("brae").id();
        shots.add(new Shot("first-power", false, 1280, 800, () -> poweredUp(brae)));
        if (extra) {
            shots.add(new Shot("x-first-power-small", true, 1024, 700, () -> {}));
            shots.add(new Shot("x-first-power-gate", true, 1024, 700, () -> open(halcyon, Step.FIRST_POWER)));
            UUID lark = DemoWorkshop.chassis("lark").id();
            shots.add(new Shot("x-first-power-lark", false, 1280, 800, () -> open(lark, Step.FIRST_POWER)));
        }
        shots.add(new Shot(
                "trace",
                false,
                1280,
                800,
                () -> open(DemoWorkshop.chassis("brae").id(), Step.TRACE)));
        shots.add(new Shot(
                "strip-down",
                false,
                1280,
                800,
                () -> open(DemoWorkshop.chassis("lark").id(), Step.STRIP_DOWN)));
        shots.add(new Shot("soak", false, 1280, 800, () -> session.step().set(Step.SOAK)));
        shots.add(new Shot(
                "drive-and-case", false, 1280, 800, () -> session.step().set(Step.DRIVE_AND_CASE)));
        shots.add(new Shot("hand-back", false, 1280, 800, () -> open(halcyon, Step.HAND_BACK)));
        shots.add(new Shot("align", false, 1280, 800, () -> aligned(halcyon)));
        if (extra) {
            shots.add(new Shot("x-align-small", true, 1024, 700, () -> {}));
            shots.add(new Shot("x-every-band", false, 1280, 800, () -> {
                open(DemoWorkshop.chassis("concerto").id(), Step.VOLTAGES);
                session.open(DemoWorkshop.chassis("concerto").id(), () -> {
                    shell.actions().get("every-band").run().run();
                    session.putJob(
                            "reference",
                            session.need()
                                    .job()
                                    .with(new anabion.core.job.Compared(
                                            UUID.randomUUID(),
                                            NOW,
                                            "FM",
                                            -18,
                                            session.need().job().fitted().id(),
                                            anabion.core.json.Extra.NONE)));
                });
            }));
            shots.add(new Shot("x-every-band-small", true, 1024, 700, () -> {}));
            shots.add(new Shot(
                    "x-trace-stages",
                    false,
                    1280,
                    800,
                    () -> open(DemoWorkshop.chassis("moor").id(), Step.TRACE)));
            shots.add(new Shot("x-trace-small", true, 1024, 700, () -> {
                shell.probe().field().setText("");
                open(halcyon, Step.TRACE);
            }));
            shots.add(new Shot("x-back", false, 1280, 800, () -> open(halcyon, Step.COLD_CHECKS)));
            shots.add(new Shot("x-cold-small", true, 1024, 700, () -> {}));
            shots.add(new Shot("x-recap", false, 1280, 800, () -> session.step().set(Step.RECAP)));
            shots.add(new Shot(
                    "x-recap-can", true, 1280, 800, () -> session.part().set(Optional.of("C18"))));
            shots.add(new Shot("x-recap-small", false, 1024, 700, () -> {
                shell.probe().field().setText("");
                session.putJob(
                        "school",
                        session.need()
                                .job()
                                .withRecap(session.need().job().recap().withSchool("tested nearest")));
            }));
            shots.add(new Shot("x-library", true, 1024, 700, () -> {
                shell.probe().field().setText("");
                session.open(DemoWorkshop.chassis("concerto").id(), () -> {});
            }));
            shots.add(new Shot("x-circuit-concerto", true, 1024, 700, () -> {
                open(DemoWorkshop.chassis("concerto").id(), Step.STUDY);
            }));
            shots.add(new Shot("x-circuit-lark", false, 1280, 800, () -> {
                open(DemoWorkshop.chassis("lark").id(), Step.STUDY);
            }));
            shots.add(new Shot("x-circuit-brae", false, 1280, 800, () -> {
                open(DemoWorkshop.chassis("brae").id(), Step.STUDY);
            }));
            shots.add(new Shot("x-checks", true, 1024, 700, () -> {}));
            shots.add(new Shot("x-danger", false, 1280, 800, () -> {
                shell.overlay().close();
                open(halcyon, Step.VOLTAGES);
                shell.actions().get("arithmetic").run().run();
                session.putJob(
                        "lifted C14",
                        session.need()
                                .job()
                                .altered(new Alteration(
                                        UUID.randomUUID(),
                                        session.clock().instant(),
                                        "C14",
                                        AlterationKind.LIFTED,
                                        "to test it",
                                        Extra.NONE)));
            }));
            shots.add(new Shot("x-later", true, 1280, 800, () -> {
                shell.actions().get("arithmetic").run().run();
                session.step().set(Step.SOAK);
            }));
            shots.add(new Shot("x-guide", false, 1280, 800, () -> {
                session.step().set(Step.VOLTAGES);
                shell.actions().get("guide").run().run();
            }));
            shots.add(new Shot("x-brae", false, 1280, 800, () -> {
                shell.overlay().close();
                open(DemoWorkshop.chassis("brae").id(), Step.VOLTAGES);
            }));
            shots.add(new Shot(
                    "x-lark",
                    true,
                    1280,
                    800,
                    () -> open(DemoWorkshop.chassis("lark").id(), Step.VOLTAGES)));
            shots.add(new Shot(
                    "x-concerto",
                    false,
                    1024,
                    700,
                    () -> open(DemoWorkshop.chassis("concerto").id(), Step.VOLTAGES)));
            shots.add(new Shot(
                    "x-rover",
                    false,
                    1280,
                    800,
                    () -> open(DemoWorkshop.chassis("rover").id(), Step.STUDY)));
            shots.add(new Shot(
                    "x-lark-parts", false, 1280, 800, () -> session.step().set(Step.STUDY)));
            for (boolean dim : new boolean[] {false, true}) {
                String end = dim ? "-small-dim" : "-small";
                shots.add(new Shot("x-shelf" + end, dim, 1024, 700, () -> {
                    shell.overlay().close();
                    shell.go(Shell.Where.SHELF);
                }));
                shots.add(new Shot("x-voltages" + end, dim, 1024, 700, () -> open(halcyon, Step.VOLTAGES)));
                shots.add(new Shot(
                        "x-arrival" + end, dim, 1024, 700, () -> session.step().set(Step.ARRIVAL)));
                shots.add(new Shot(
                        "x-study" + end, dim, 1024, 700, () -> session.step().set(Step.STUDY)));
            }
        }
        return shots;
    }

    private void open(UUID id, Step step) {
        session.open(id, () -> {
            session.step().set(step);
            shell.go(Shell.Where.BENCH);
        });
    }

    private void picture(Shot shot) throws IOException {
        on(() -> {
            shell.theme(shot.dim());
            stage.setWidth(shot.width());
            stage.setHeight(shot.height());
            shot.before().run();
        });
        settle();
        WritableImage[] image = new WritableImage[1];
        on(() -> image[0] = stage.getScene().snapshot(null));
        ImageIO.write(
                SwingFXUtils.fromFXImage(image[0], null),
                "png",
                folder.resolve(shot.name() + ".png").toFile());
    }

    /** Four steps up, as a sound set shows them. */
    private void poweredUp(UUID id) {
        session.open(id, () -> {
            Job job = session.need().job().with(line(PowerEntry.Kind.BEGAN, 0, "", 0));
            double[][] read = {{69, 12.9, 2.8}, {92, 57, 4.5}, {115, 87, 6.8}, {138, 110, 9.7}};
            for (double[] r : read)
                job = job.with(line(PowerEntry.Kind.RAIL, r[0], "B1", r[1]))
                        .with(line(PowerEntry.Kind.WATTS, r[0], "", r[2]));
            session.putJob("power-up", job);
            session.step().set(Step.FIRST_POWER);
            shell.go(Shell.Where.BENCH);
        });
    }

    private PowerEntry line(PowerEntry.Kind kind, double dial, String what, double value) {
        return new PowerEntry(
                UUID.randomUUID(),
                session.clock().instant(),
                kind,
                dial,
                0,
                what,
                what.isEmpty() ? "" : session.need().chassis().reference(),
                value,
                "",
                session.need().job().fitted().id(),
                Extra.NONE);
    }

    /** A circuit with three slips of the pen, and what is noticed about it. */
    private void mistyped(UUID id) {
        session.open(id, () -> {
            Chassis slipped = session.need().chassis();
            for (String line : List.of(
                    "C17 .02/100 V3.6 GRID4 coupling to a grid",
                    "R12 2M2 V3.6 CHASSIS grid leak",
                    "R15 56 1W BIAS B output bias"))
                slipped = ListCodec.withPart(slipped, WiringLine.parse(line, slipped));
            session.putChassis("slips", slipped);
            session.step().set(Step.STUDY);
            shell.go(Shell.Where.BENCH);
            shell.actions().get("tab-5").run().run();
        });
    }

    /** Waits until the storage and compute threads have answered and the layout stands. */
    private void settle() {
        for (int i = 0; i < 6; i++) {
            session.ask(w -> 0, x -> {}).join();
            session.computed().join();
            session.diagnoses().done().join();
            on(() -> {});
            try {
                Thread.sleep(60);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private static void on(Runnable run) {
        CountDownLatch done = new CountDownLatch(1);
        Optional<?>[] failure = {Optional.empty()};
        Platform.runLater(() -> {
            try {
                run.run();
            } catch (RuntimeException e) {
                failure[0] = Optional.of(e);
            } finally {
                done.countDown();
            }
        });
        try {
            if (!done.await(30, TimeUnit.SECONDS)) throw new IllegalStateException("the window does not answer");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (failure[0].isPresent()) throw (RuntimeException) failure[0].get();
    }

    /** Half way through an alignment, with two stations on the dial. */
    private void aligned(UUID set) {
        open(set, Step.ALIGN);
        session.open(set, () -> {
            Job job = session.need().job();
            for (AlignmentEntry e : List.of(
                    turned(job, Kind.READ, "A1 A2", 0.42, 2.0),
                    turned(job, Kind.PEAK, "A3 A4", 0.8, 1.3),
                    station(job, 580e3, 600e3),
                    station(job, 1404e3, 1400e3))) job = job.with(e);
            session.putJob("aligned", job);
        });
    }

    private static AlignmentEntry turned(Job job, Kind kind, String letters, double before, double after) {
        return entry(job, kind, Optional.of(AlignmentPurpose.INTERMEDIATE), letters, before, after);
    }

    private static AlignmentEntry station(Job job, double dial, double heard) {
        return entry(job, Kind.STATION, Optional.empty(), "", dial, heard);
    }

    private static AlignmentEntry entry(
            Job job, Kind kind, Optional<AlignmentPurpose> purpose, String letters, double before, double after) {
        return AlignmentEntry.of(
                        UUID.randomUUID(), NOW, kind, "AM", job.fitted().id())
                .withPurpose(purpose)
                .withAdjusters(letters)
                .withBefore(before)
                .withAfter(after);
    }
}
