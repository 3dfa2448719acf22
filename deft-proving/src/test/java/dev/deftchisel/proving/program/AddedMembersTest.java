package dev.deftchisel.proving.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.FieldVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** What we say an annotation processor adds, against the class files for which the processor itself has run. */
class AddedMembersTest {

    private static final int OF_INTEREST = Opcodes.ACC_PUBLIC | Opcodes.ACC_PROTECTED | Opcodes.ACC_STATIC
            | Opcodes.ACC_FINAL;

    @Test
    void theMembersAreThoseThatTheProcessorAdds(@TempDir Path folder) throws Exception {
        List<Program> annotated = Program.all().stream()
                .filter(program -> !program.processors().isEmpty() && !program.isProcessed()).toList();
        assertTrue(annotated.size() >= 4, annotated.toString());
        for (Program program : annotated) {
            Path sources = folder.resolve(program.name());
            program.writeTo(sources);
            Snapshot snapshot = Snapshot.read(new Workspaces(List.of())
                    .open(OpenRequest.plain(sources, List.of(sources), program.archives())));
            CompiledCode processed = CompiledCode.processed(snapshot);
            assertEquals(List.of(), processed.errors(), program.name());
            AdditionsReader reader = AdditionsReader.installed();
            Map<Path, Optional<String>> seen = new HashMap<>();
            for (SourceFile file : snapshot.files()) {
                seen.put(file.path(), Optional.of(reader.of(file).into(file.content())));
            }
            CompiledCode ours = CompiledCode.of(snapshot.with(seen, Map.of()));
            // exceptions that are thrown in secret are the only thing that another text cannot say
            assertEquals(List.of(), ours.errors().stream().filter(error -> !error.contains("unreported exception"))
                    .toList(), program.name());
            if (ours.errors().isEmpty()) {
                assertEquals(members(processed), members(ours), program.name());
            }
        }
    }

    /** All that other classes can see, without what is made for the compiler alone. */
    private static Set<String> members(CompiledCode code) {
        Set<String> members = new TreeSet<>();
        code.classes().forEach((name, bytes) -> new ClassReader(bytes).accept(new ClassVisitor(Opcodes.ASM9) {
            private void add(int access, String member, String descriptor) {
                boolean isMade = (access & (Opcodes.ACC_SYNTHETIC | Opcodes.ACC_PRIVATE)) != 0 || member.contains("$");
                if (!isMade) {
                    members.add(name + " " + member + descriptor + " " + (access & OF_INTEREST));
                }
            }

            @Override
            public MethodVisitor visitMethod(int access, String member, String descriptor, String signature,
                    String[] exceptions) {
                add(access, member, descriptor);
                return null;
            }

            @Override
            public FieldVisitor visitField(int access, String member, String descriptor, String signature,
                    Object value) {
                add(access, member, descriptor);
                return null;
            }
        }, ClassReader.SKIP_CODE));
        return members;
    }
}
