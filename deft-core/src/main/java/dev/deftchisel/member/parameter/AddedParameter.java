package dev.deftchisel.member.parameter;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Words;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/**
 * One more parameter of a method, and of all methods that it overrides or is overridden by; every call must then hand
 * it over.
 */
public final class AddedParameter {

    private final Analysis before;
    private final EditsByFile edits;
    private final AttributedFile code;
    private final TreePath method;
    private final ExecutableElement element;
    private final TypeMirror type;
    private final String name;
    private final Map<SymbolKey, NewSignature> signatures = new HashMap<>();
    private int index;
    private int calls;

    /** A parameter to be added. */
    public record NewParameter(TypeMirror type, String name) {
    }

    /**
     * A parameter that is not there yet.
     *
     * @param before in which every file that mentions the method was looked at
     * @param edits  to which all is added
     * @param code   the file of the method
     * @param method its declaration
     */
    public AddedParameter(Analysis before, EditsByFile edits, AttributedFile code, TreePath method,
            NewParameter parameter) {
        this.before = before;
        this.edits = edits;
        this.code = code;
        this.method = method;
        this.element = (ExecutableElement) code.element(method).orElseThrow();
        this.type = parameter.type();
        this.name = parameter.name();
    }

    /** The name by which a method or constructor is called. */
    public static String word(Element method) {
        return (method.getKind() == ElementKind.CONSTRUCTOR ? method.getEnclosingElement() : method).getSimpleName()
                .toString();
    }

    /**
     * Every file in which a method may be called or overridden.
     *
     * @param own    files that are looked at in any case
     * @param names  that matter besides
     * @param around code that is looked at in any case
     */
    public static Focus focus(Analyst analyst, Element method, List<Path> own, Set<String> names,
            Map<Path, List<Range>> around) {
        Set<Path> files = new HashSet<>(own);
        Set<String> words = new HashSet<>(names);
        words.add(word(method));
        if (!method.getModifiers().contains(Modifier.PRIVATE)) {
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(word(method))));
        }
        // constructors are called by 'this' and 'super' too, which are no names
        return method.getKind() == ElementKind.CONSTRUCTOR ? Focus.whole(files).deeply()
                : new Focus(files, words, Set.of(), around, true);
    }

    /** Writes what one call passes. */
    public interface ArgumentWriter {

        /**
         * The edit of a call, or what is in its way.
         *
         * @param there the file of the call
         * @param use   the name that is called, or what implies it
         * @param call  the call
         * @param index of the parameter
         */
        WrittenArgument hand(AttributedFile there, Binding use, TreePath call, int index);
    }

    /**
     * What a call passes.
     *
     * @param edit      that adds the argument; empty when something is in the way
     * @param objection what
     */
    public record WrittenArgument(Optional<Edit> edit, Optional<Reason> objection) {
    }

    /**
     * The parameter is declared everywhere, or not.
     *
     * @param effects   what that does to symbols
     * @param objection what is in the way; empty when nothing is
     */
    public record Declared(SymbolEffects effects, Optional<Reason> objection) {
    }

    /**
     * Calls pass an argument for it, or not.
     *
     * @param calls     how many do
     * @param objection what is in the way; empty when nothing is
     */
    public record Passed(int calls, Optional<Reason> objection) {
    }

    private Set<SymbolKey> family() {
        return Family.of(before.symbol(code.key(element)).orElseThrow(), before);
    }

    /** Writes it in all declarations. */
    public Declared declare() {
        Optional<Reason> objection = undeclarable();
        return new Declared(SymbolEffects.same().with(signatures), objection);
    }

    private Optional<Reason> undeclarable() {
        if (code.occurrences(method).stream().anyMatch(one -> one.variable().getSimpleName().contentEquals(name))) {
            return at("'" + name + "' is a variable of this method already; choose another name");
        }
        SymbolKey own = code.key(element);
        for (SymbolKey key : family()) {
            Optional<Binding> declared = before.declaration(key);
            Optional<AttributedFile> home = declared.flatMap(binding -> before.code(binding.file()));
            if (home.isEmpty()) {
                return at("the method overrides or implements " + before.symbol(key).map(Symbol::signature)
                        .orElse("one")
                        + " of a library, which cannot get a parameter");
            }
            Optional<TreePath> found = home.get().around(declared.get().range()).stream()
                    .filter(around -> around.getLeaf() instanceof MethodTree).findFirst();
            if (found.isEmpty()) {
                return at("this method reads a component of the record, and such a method has no parameters (JLS "
                        + "8.10.3)");
            }
            TreePath path = found.get();
            if (isFunction(home.get(), path)) {
                return Optional.of(Reason.at(declared.get().file(), declared.get().range(),
                        "a lambda may implement this method, which would not get the parameter"));
            }
            Optional<String> written = edits.writer(home.get()).write(type);
            if (written.isEmpty() || !home.get().sharesTypesWith(code)) {
                return at("the type of the parameter has no name that could be written");
            }
            ParameterHead head = new ParameterHead(home.get(), path, declared.get().range().end());
            edits.of(declared.get().file()).add(head.declared(written.get(), to -> given(to, key.equals(own))));
            index = key.equals(own) ? head.index() : index;
            signatures.put(key, new NewSignature(withParameter(((SymbolKey.Method) key).descriptor(), head.index(),
                    code.descriptor(type)), Optional.of(origins(head.index()))));
        }
        return Optional.empty();
    }

    /** Only the name in the method itself stays linked with those in its body; each override declares its own. */
    private void given(NewCode text, boolean isOwn) {
        if (isOwn) {
            text.name(name);
        } else {
            text.write(name);
        }
    }

    /** Has every call pass an argument; after {@link #declare}. */
    public Passed pass(ArgumentWriter handing) {
        Optional<Reason> objection = unpassable(handing);
        return new Passed(calls, objection);
    }

    private Optional<Reason> unpassable(ArgumentWriter handing) {
        for (SymbolKey key : family()) {
            for (Binding use : before.uses(key)) {
                if (use.role() == Role.DECLARATION || use.role() == Role.DOC) {
                    continue;
                }
                AttributedFile there = before.code(use.file()).orElseThrow();
                Optional<TreePath> call = there.call(use);
                if (call.isEmpty()) {
                    return Optional.of(Reason.at(use.file(), use.range(),
                            use.isNamed() ? "the method is named here without being called, so that nothing can be "
                            + "passed"
                                    : "the constructor is called here without a list of arguments; write the call "
                                    + "first"));
                }
                WrittenArgument handed = handing.hand(there, use, call.get(), index);
                if (handed.edit().isEmpty()) {
                    return handed.objection();
                }
                edits.of(use.file()).add(handed.edit().get());
                calls++;
            }
        }
        return Optional.empty();
    }

    private List<Integer> origins(int added) {
        List<Integer> origins = new ArrayList<>();
        for (int i = 0; i < element.getParameters().size(); i++) {
            origins.add(i);
        }
        origins.add(added, NewSignature.ADDED);
        return origins;
    }

    /** Where its name stands in a string: what is called by that is not found by its type. */
    public List<String> mentions() {
        List<String> notes = new ArrayList<>();
        String word = element.getSimpleName().toString();
        for (SourceFile file : before.files()) {
            for (Range mention : Words.find(file.content(), word)) {
                if (file.tokens().kind(file.tokens().at(mention.start())).isText()) {
                    notes.add(before.snapshot().show(file.path(), mention.start())
                            + " names '" + word + "' in a string; who calls it by that passes nothing");
                }
            }
        }
        return notes;
    }

    /** Whether the method is the one abstract method of an interface (JLS 9.8). */
    public static boolean isFunction(AttributedFile code, TreePath path) {
        Element method = code.element(path).orElseThrow();
        return method.getModifiers().contains(Modifier.ABSTRACT) && method.getEnclosingElement().getKind().isInterface()
                && code.elements().getAllMembers((TypeElement) method.getEnclosingElement()).stream()
                .filter(member -> member.getKind() == ElementKind.METHOD && member.getModifiers()
                        .contains(Modifier.ABSTRACT))
                .count() == 1;
    }

    private Optional<Reason> at(String sentence) {
        Range range = before.declaration(code.key(element)).map(Binding::range).orElse(code.range(method.getLeaf()));
        return Optional.of(Reason.at(code.file().path(), range, sentence));
    }

    /** A descriptor with one more parameter (JVMS 4.3.3). */
    public static String withParameter(String descriptor, int index, String added) {
        List<String> all = new ArrayList<>(NewSignature.parameters(descriptor));
        all.add(index, added);
        return "(" + String.join("", all) + descriptor.substring(descriptor.indexOf(')'));
    }
}
