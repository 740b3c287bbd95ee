using BlueSlate.Bench;

return args switch
{
    ["checking", var output] => CheckingBench.Run(output),
    ["answers", var folder, var count] => AnswerFolder.Write(folder, int.Parse(count)),
    _ => Usage(),
};

static int Usage()
{
    Console.Error.WriteLine("usage: checking OUT | answers FOLDER COUNT");
    return 2;
}
