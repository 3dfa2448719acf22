package dev.deftchisel.inline;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.parameter.ConstructionEscape;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Transplant;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.ValueWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeMirror;

/** Puts the value of a constant, or of a field that never has another one, where its name stands. */
final class InlineField {

    /** Symbols that end as assignments do and are none. */
    private static final Set<String> COMPARISONS = Set.of("==", "!=", "<=", ">=");

    private final ResolvedPlace resolved;
    private final Symbol field;
    private final Analyst analyst;

    InlineField(ResolvedPlace resolved, Symbol field, Analyst analyst) {
        this.resolved = resolved;
        this.field = field;
        this.analyst = analyst;
    }

    /**
     * Works it out.
     *
     * @param onlyHere only the use at the place
     * @param stays    whether the declaration stays
     */
    Plan plan(boolean onlyHere, boolean stays) {
        Optional<SourceFile> declaring = analyst.declaring(field.key());
        if (declaring.isEmpty()) {
            return Plan.refused(resolved, "the field " + field.signature() + " is not declared in the workspace");
        }
        Set<Path> files = new HashSet<>(List.of(declaring.get().path(), resolved.file().path()));
        if (!field.isPrivate()) {
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(field.name())));
        }
        Analysis before = analyst.analyse(new Focus(files, Set.of(field.name()), Set.of(), Map.of(), true));
        Optional<Binding> declared = before.declaration(field.key());
        Optional<AttributedFile> home = before.code(declaring.get().path());
        Optional<TreePath> path = declared.flatMap(binding -> home.flatMap(code -> code.declaration(binding.range())
                .filter(found -> found.getLeaf() instanceof VariableTree)));
        if (path.isEmpty()) {
            return Plan.refused(resolved, "the declaration of " + field.signature() + " was not found");
        }
        Optional<String> objection = objection(before, home.get(), path.get());
        if (objection.isPresent()) {
            return Plan.refused(Reason.at(declaring.get().path(), declared.get().range(), objection.get()));
        }
        List<Binding> uses = before.uses(field.key()).stream()
                .filter(use -> use.role() == Role.READ && use.isNamed())
                .filter(use -> !onlyHere || resolved.isAt(use))
                .toList();
        if (uses.isEmpty()) {
            return Plan.refused(resolved, "the field is never read");
        }
        Optional<Reason> early = isConstant(home.get(), path.get()) ? Optional.empty()
                : early(home.get(), path.get(), uses);
        if (early.isPresent()) {
            return Plan.refused(early.get());
        }
        return plan(before, home.get(), path.get(), uses, !onlyHere && !stays);
    }

    private Optional<String> objection(Analysis before, AttributedFile code, TreePath path) {
        VariableTree tree = (VariableTree) path.getLeaf();
        if (tree.getInitializer() == null) {
            return Optional.of("the field gets no value where it is declared");
        } else if (!tree.getModifiers().getAnnotations().isEmpty()) {
            return Optional.of("its declaration has annotations, which would be lost");
        } else if (!field.modifiers().contains(Modifier.FINAL)
                && (!field.isPrivate() || before.isAssigned(field.key()))) {
            return Optional.of("the field may get another value");
        }
        TreePath value = new TreePath(path, tree.getInitializer());
        Effects effects = code.effects(value);
        boolean isSame = isConstant(code, path) || effects.isPure() && !effects.isFresh() && !effects.readsState();
        boolean isAlone = code.file().content().startsWith(";", code.range(tree.getInitializer()).end())
                && code.members().stream().filter(member -> member.start() == code.range(tree).start()).count() == 1;
        if (!isSame) {
            return Optional.of("its value may be another each time it is computed, or doing so can be noticed");
        }
        return isAlone ? Optional.empty() : Optional
                .of("it is declared together with others; split the declaration first");
    }

    private static boolean isConstant(AttributedFile code, TreePath path) {
        return code.element(path).filter(element -> element instanceof VariableElement variable
                && variable.getConstantValue() != null).isPresent();
    }

    /**
     * Where a field that is no constant variable may be read before it has its value, so that its value would be there
     * too early; or where reading it initialises its class, which would happen at another time (JLS 12.4.1).
     */
    private Optional<Reason> early(AttributedFile home, TreePath declaration, List<Binding> uses) {
        TreePath owner = declaration.getParentPath();
        ConstructionEscape construction = new ConstructionEscape(home, owner);
        Range own = home.range(owner.getLeaf());
        boolean isStatic = field.modifiers().contains(Modifier.STATIC);
        Optional<Binding> outside = uses.stream()
                .filter(use -> !use.file().equals(home.file().path()) || !own.encloses(use.range()))
                .findFirst().filter(use -> isStatic && !construction.isInitialisationSilent());
        if (outside.isPresent()) {
            return Optional.of(Reason.at(outside.get().file(), outside.get().range(),
                    "reading the field here initialises its class, which would happen at another time (JLS 12.4.1)"));
        }
        int end = home.range(declaration.getLeaf()).end();
        boolean isAlwaysLater = uses.stream().allMatch(use -> use.file().equals(home.file().path())
                && use.range().start() > end && isInConstructor(home, owner, use, isStatic));
        return isAlwaysLater ? Optional.empty() : construction.before(declaration);
    }

    /** Whether a use is in an initialiser after the field, or in a constructor: those run when it has its value. */
    private static boolean isInConstructor(AttributedFile home, TreePath owner, Binding use, boolean isStatic) {
        return ((ClassTree) owner.getLeaf()).getMembers().stream()
                .filter(member -> home.find(member).filter(range -> range.encloses(use.range())).isPresent())
                .anyMatch(member -> member instanceof MethodTree method ? method.getReturnType() == null && !isStatic
                        : member instanceof BlockTree block ? block.isStatic() == isStatic
                        : member instanceof VariableTree variable && variable.getModifiers().getFlags()
                        .contains(Modifier.STATIC) == isStatic);
    }

    private Plan plan(Analysis before, AttributedFile home, TreePath declaration, List<Binding> uses, boolean goes) {
        VariableTree tree = (VariableTree) declaration.getLeaf();
        TreePath value = new TreePath(declaration, tree.getInitializer());
        TypeMirror type = home.element(declaration).orElseThrow().asType();
        EditsByFile edits = new EditsByFile(before);
        for (Binding use : uses) {
            AttributedFile code = before.code(use.file()).orElseThrow();
            Optional<TreePath> found = place(code, use);
            if (found.isEmpty()) {
                return Plan.refused(Reason.at(use.file(), use.range(), "the value cannot be written here"));
            }
            TreePath place = found.get();
            if (!code.sharesTypesWith(home) || !isObjectIdle(code, place)) {
                return Plan.refused(Reason.at(use.file(), use.range(),
                        "the object it is read from may be null, or is computed here, which would be left out"));
            }
            TypeWriter writer = edits.writer(code);
            NewCode text = new NewCode(home.file());
            SortedMap<Range, Consumer<NewCode>> names = new Transplant(home, code, place, writer, unused -> { })
                    .names(List.of(value), false);
            boolean isWritten = new ValueWriter(home, value, type, writer)
                    .write(text, code, place, (to, instead) -> {
                        SortedMap<Range, Consumer<NewCode>> all = new TreeMap<>(names);
                        all.putAll(instead);
                        to.carry(home.range(tree.getInitializer()), indent(home, value), indent(code, place), all);
                    });
            if (!isWritten) {
                return Plan.refused(Reason.at(use.file(), use.range(),
                        "a type matters here that has no name which could be written"));
            }
            edits.of(use.file()).add(text.replacing(code.range(place.getLeaf())).without(idle(code, place)));
        }
        if (goes) {
            edits.remove(home, tree);
        }
        return new Plan.Ready(edits.change("inline the field " + field.signature(), SymbolEffects.same(), List.of()),
                before);
    }

    /**
     * Whether the name of a field stands before an assignment somewhere in the file, most of which is not analysed
     * here.
     */
    static boolean mayBeAssigned(ResolvedPlace resolved, Symbol field) {
        Tokens tokens = resolved.file().tokens();
        int declared = resolved.analysis().declaration(field.key()).map(binding -> tokens.at(binding.range().start()))
                .orElse(-1);
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            int next = tokens.code(i + 1);
            int second = tokens.code(next + 1);
            boolean isNamed = i != declared && tokens.kind(i) == TokenKind.IDENTIFIER && tokens.name(i)
                    .equals(field.name());
            if (isNamed && next < tokens.count() && tokens.kind(next) == TokenKind.SYMBOL
                    && (tokens.text(next).endsWith("=") && !COMPARISONS.contains(tokens.text(next))
                            || tokens.text(next).equals("++") || tokens.text(next).equals("--")
                            || tokens.is(next, '>') && second < tokens.count() && tokens.text(second)
                            .startsWith(">"))) {
                return true;
            }
            int before = tokens.codeBefore(i - 1);
            if (isNamed && before >= 0 && (tokens.text(before).equals("++") || tokens.text(before).equals("--"))) {
                return true;
            }
        }
        return false;
    }

    /** The name, with what it is selected from. */
    private static Optional<TreePath> place(AttributedFile code, Binding use) {
        return code.around(use.range()).stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree
                        || path.getLeaf() instanceof MemberSelectTree && code.range(path.getLeaf()).end() == use.range()
                        .end())
                .findFirst();
    }

    /** The {@code this} that the field is read from, if it is written. */
    private static List<Range> idle(AttributedFile code, TreePath place) {
        return place.getLeaf() instanceof MemberSelectTree select
                && select.getExpression() instanceof IdentifierTree name
                && name.getName().contentEquals("this") ? List.of(code.range(name)) : List.of();
    }

    /** Whether nothing is lost with what the field is read from: a class, {@code this}, or nothing. */
    private static boolean isObjectIdle(AttributedFile code, TreePath place) {
        if (!(place.getLeaf() instanceof MemberSelectTree select)) {
            return true;
        }
        ExpressionTree object = select.getExpression();
        boolean isThis = object instanceof IdentifierTree name && name.getName().contentEquals("this");
        return isThis || code.element(new TreePath(place, object))
                .filter(element -> element.getKind().isClass() || element.getKind().isInterface()).isPresent();
    }

    private static String indent(AttributedFile code, TreePath path) {
        return Layout.indentOf(code.file(), code.range(path.getLeaf()).start());
    }
}
