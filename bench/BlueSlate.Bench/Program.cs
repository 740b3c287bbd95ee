using BlueSlate.Bench;
using BlueSlate.Bench.Accuracy;
using BlueSlate.Bench.Seeded;

return args switch
{
    ["checking", var output] => CheckingBench.Run(output),
    ["answers", var folder, var count] => AnswerFolder.Write(folder, int.Parse(count)),
    ["durability", var rounds, var servers, var dll, var cluster, var script, var log] => await new DurabilityBench(
        int.Parse(rounds),
        int.Parse(servers),
        dll,
        cluster,
        script,
        log
    ).RunAsync(),
    ["autosave-course", var connections, var template, var script] => await AutosaveBench.PrepareAsync(
        int.Parse(connections),
        template,
        script
    ),
    ["autosave", var connections, var seconds, var dll] => await AutosaveBench.RunAsync(
        int.Parse(connections),
        int.Parse(seconds),
        dll
    ),
    ["layout", var folder, var notation] => LayoutBench.Run(folder, notation),
    ["accuracy", var folder, var output, .. var more] => AccuracyBench.Run(folder, output, more),
    ["accuracy-fit", .. var folders] => AccuracyBench.Fit(folders),
    ["accuracy-leave-one-out", var folder, var output, .. var others] => AccuracyBench.LeaveOneOut(folder, output, others),
    ["hostile", var dll] => await HostileBench.RunAsync(dll),
    ["desk", var answers, var dll] => await DeskBench.RunAsync(int.Parse(answers), dll),
    ["exam", var students, var seconds, var dll] => await new ExamBench(
        int.Parse(students),
        TimeSpan.FromSeconds(int.Parse(seconds)),
        dll
    ).RunAsync(),
    ["matching"] => MatchingBench.Run(),
    ["dependencies"] => DependencyBench.Run(),
    ["preflight", var demo, var planted, var show] => PreflightBench.Run(demo, planted, show == "--show"),
    ["preflight-cases", var folder] => PreflightBench.Cases(folder),
    ["seeded", var demo] => SeededBench.Run(demo),
    ["class", var demo, var exercise, var answers, var folder] => SeededClass.Write(demo, exercise, int.Parse(answers), folder),
    ["seeded-dependencies"] => DependencySeededBench.Run(),
    _ => Usage(),
};

static int Usage()
{
    Console.Error.WriteLine(
        "usage: checking OUT | answers FOLDER COUNT | durability ... | autosave ... | layout FOLDER NOTATION | "
            + "matching | preflight DEMO PLANTED SHOW | preflight-cases FOLDER | "
            + "class DEMO EXERCISE ANSWERS FOLDER | desk ANSWERS DLL | exam STUDENTS SECONDS DLL | "
            + "seeded DEMO | seeded-dependencies | hostile DLL | accuracy FOLDER OUT [CASE/ANSWER] [WEIGHT=NUMBER] | "
            + "accuracy-fit FOLDER... | accuracy-leave-one-out FOLDER OUT OTHER...; see the scripts in bench/"
    );
    return 2;
}
