package dev.deftchisel.move.type;

import com.sun.source.tree.ClassTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.ObjectUses;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;

/** What keeps a type from going somewhere, whatever its text and its uses say. */
final class MoveObstacles {

    private final Analyst analyst;
    private final Analysis before;
    private final MovedType moved;
    private final Destination destination;

    MoveObstacles(Analyst analyst, Analysis before, MovedType moved) {
        this.analyst = analyst;
        this.before = before;
        this.moved = moved;
        this.destination = moved.destination();
    }

    /** The first of them. */
    Optional<Reason> first() {
        return isMade(moved.file()) ? Optional.of(at("this type is generated; what it is made from must move"))
                : there().or(this::object).or(this::hidden);
    }

    private static boolean isMade(SourceFile file) {
        return file.root().kind() != SourceRoot.Kind.SOURCE;
    }

    private Reason at(String sentence) {
        return Reason.at(moved.file().path(), moved.code().name(moved.tree()), sentence);
    }

    /** What is where it would go. */
    private Optional<Reason> there() {
        if (destination instanceof Destination.OwnFile own) {
            Path path = own.root().folderOf(own.packageName()).resolve(moved.name() + ".java");
            String qualified = moved.newName();
            boolean isSame = moved.isTopLevel() && moved.canonicalName().equals(qualified);
            Optional<SourceFile> other = isSame ? Optional.empty() : analyst.snapshot().files().stream()
                    .filter(file -> file.header().types().stream()
                            .anyMatch(name -> file.header().qualifiedName(name).equals(qualified))).findFirst();
            if (path.equals(moved.file().path()) && isSame) {
                return Optional.of(at(moved.name() + " is in this file already; say where it is to go: a package or a"
                        + " type"));
            } else if (other.isPresent()) {
                return Optional.of(Reason.at(other.get().path(), new Range(0, 0), "there is a type " + qualified
                        + " already"));
            }
            return Files.exists(path) && !path.equals(moved.file().path())
                    ? Optional.of(Reason.at(path, new Range(0, 0), "this file is in the way")) : Optional.empty();
        }
        Destination.Member member = (Destination.Member) destination;
        if (moved.holds(member.outer())) {
            return Optional.of(at(moved.name() + " cannot move into itself"));
        }
        Optional<Analysis.KnownElement> outer = before.known(member.outer());
        boolean isThere = moved.element().getEnclosingElement() instanceof TypeElement owner
                && before.key(owner).equals(member.outer());
        if (isThere) {
            return Optional.of(at(moved.name() + " is a member of " + member.canonicalName() + " already"));
        }
        boolean isTaken = outer.filter(known -> known.element().getEnclosedElements().stream()
                .anyMatch(other -> other instanceof TypeElement && other.getSimpleName()
                        .contentEquals(moved.name()))).isPresent();
        boolean isMade = analyst.declaring(member.outer()).filter(file -> !isMade(file)).isEmpty();
        return isTaken ? Optional.of(at("there is a type " + member.canonicalName() + "." + moved.name() + " already"))
                : isMade ? Optional.of(at(member.canonicalName() + " is generated and gets no members"))
                : Optional.empty();
    }

    /** Code of other modules, and of tests, is not seen by all. */
    private Optional<Reason> hidden() {
        SourceRoot root = destination instanceof Destination.OwnFile own ? own.root()
                : analyst.declaring(((Destination.Member) destination).outer()).orElseThrow().root();
        Optional<Module> module = analyst.snapshot().workspace().moduleOf(root.folder().resolve("Any.java"));
        return module.isEmpty() || root.equals(moved.file().root()) ? Optional.empty() : before.uses(moved.key())
                .stream().filter(use -> !moved.holds(use.file(), use.range()) && use.role() != Role.DOC)
                .filter(use -> before.snapshot().file(use.file())
                        .filter(file -> !file.root().isMade() && !sees(file, root, module.get())).isPresent())
                .findFirst().map(use -> Reason.at(use.file(), use.range(), moved.name() + " is used here, and "
                        + (before.snapshot().source(use.file()).module().equals(module.get())
                        ? "the main code does not see the tests" : before.snapshot().source(use.file()).module().name()
                        + " does not use " + module.get().name() + " in its build")));
    }

    private static boolean sees(SourceFile from, SourceRoot root, Module module) {
        return from.module().equals(module) ? from.root().use() == SourceRoot.Use.TEST
                || root.use() == SourceRoot.Use.MAIN
                : from.module().useOf(module).filter(use -> use.sees(from.root().use(), root.use())).isPresent();
    }

    /** An inner class has an object of the class around it, which it may use (JLS 8.1.3). */
    private Optional<Reason> object() {
        for (Element at = moved.element().getEnclosingElement(); at instanceof TypeElement type;
                at = at.getEnclosingElement()) {
            List<ObjectUses.Use> uses = ObjectUses.of(moved.code(), moved.path(), type);
            if (!uses.isEmpty()) {
                return Optional.of(Reason.at(moved.file().path(), uses.get(0).range(), moved.name()
                        + " uses the object of " + type.getSimpleName() + " here, which it would not have then"));
            }
            Optional<? extends Element> parameter = type.getTypeParameters().stream()
                    .filter(one -> !before.uses(before.key(one)).stream()
                            .filter(use -> moved.holds(use.file(), use.range())).toList().isEmpty()).findFirst();
            if (parameter.isPresent()) {
                return Optional.of(at(moved.name() + " uses the type parameter " + parameter.get().getSimpleName()
                        + " of " + type.getSimpleName() + ", which it would not know then"));
            }
        }
        return moved.path().getParentPath().getLeaf() instanceof ClassTree || moved.isTopLevel() ? Optional.empty()
                : Optional.of(at(moved.name() + " is declared in a body; only types of files and types can move"));
    }
}
