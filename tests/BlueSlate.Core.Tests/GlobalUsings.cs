global using BlueSlate.Guide;
global using BlueSlate.Guide.Examples;
global using Xunit;
